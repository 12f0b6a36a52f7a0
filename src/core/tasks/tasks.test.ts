import { isNeededAt, knobOf, placesFor, taskContentSchema } from '.';
import { loadLibrary } from '../../../library/loadLibrary';

const crane = loadLibrary().find((task) => task.slug === 'crane-lift')!;

describe('the table map', () => {
  it.each([
    ['right', ['right', 'left']],
    ['left', ['left', 'right']],
    ['unsettled', ['middle', 'far']],
  ] as const)('lies mirrored for the %s hand', (hand, sides) => {
    expect(placesFor(crane, hand).map((place) => place.side)).toEqual(sides);
  });
});

describe('a task', () => {
  it('knows which steps need a material, and its knobs by name', () => {
    expect(isNeededAt({ steps: { from: 5, to: 7 } }, 3, 4)).toBe(false);
    expect(isNeededAt({ steps: { from: 5, to: 7 } }, 4, 5)).toBe(true);
    expect(knobOf(crane, 'tool')!.levels).toHaveLength(3);
    expect(knobOf(crane, 'tempo')).toBeNull();
  });

  it('is refused with every fault by its path', () => {
    const bad = taskContentSchema.safeParse({ ...crane, title: { en: '' }, dose: { ...crane.dose, rounds: 0 } });
    expect(bad.error?.issues.map((issue) => issue.path.join('.'))).toEqual(expect.arrayContaining(['title.en', 'dose.rounds']));
  });
});
