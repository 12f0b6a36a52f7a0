import { plannedDoseOf } from '@/core/tasks';
import { stockTask } from '../../../../tests/fixtures/tarrowHill';
import { familyWords } from '../../shared/familyWords';
import { padOf } from './padOf';

describe('the pad of a step', () => {
  it.each([
    ['crane-lift', 1, 'count', ['amount 5']],
    ['crane-lift', 2, 'hands', ['left 5', 'right 5']],
    ['barefoot-pick-up', 1, 'hands', ['left 4', 'right 4']],
    ['wall-painter', 1, 'time', ['amount 3']],
    ['roof-tiler', 1, 'untilDone', ['amount 6']],
    ['drum-tower', 1, 'hold', ['amount 3']],
    ['which-hand-foreman', 1, 'watch', ['left null', 'right null']],
  ])('suits its target: %s, step %i is %s', async (slug, step, kind, boxes) => {
    const pad = padOf(plannedDoseOf(stockTask(slug)), step, 20261124, await familyWords('en'));
    expect(pad.kind).toBe(kind);
    expect(pad.boxes.map(({ name, target }) => `${name} ${target}`)).toEqual(boxes);
  });

  it('calls the hands in a fair order where they take turns: as many of each, the same all day, another tomorrow', async () => {
    const words = await familyWords('en');
    const mixedOn = (seed: number) => padOf(plannedDoseOf(stockTask('crane-lift')), 2, seed, words).mixed;
    expect(mixedOn(20261124).filter((hand) => hand === 0)).toHaveLength(5);
    expect(mixedOn(20261124)).toEqual(mixedOn(20261124));
    expect(new Set([20261124, 20261125, 20261126, 20261127].map((seed) => mixedOn(seed).join(''))).size).toBeGreaterThan(1);
  });
});
