import { checkTask } from '../library';
import { applySettings, isNeededAt, knobOf, linesAt, mapsFor, placesFor, taskContentSchema, type Hand, type TaskContent } from '.';
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

  it('is two maps where the arm is to cross and the hand is not settled, one for each hand', () => {
    const sidesOf = (task: TaskContent, hand: Hand) => mapsFor(task, hand).map((map) => [map.hand, ...map.places.map(({ side }) => side)]);
    expect(sidesOf(crane, 'left')).toEqual([['left', 'left', 'right']]);
    expect(sidesOf(crane, 'unsettled')).toEqual([
      ['left', 'left', 'right'],
      ['right', 'right', 'left'],
    ]);
    expect(sidesOf({ ...crane, skill: 'scissors' }, 'unsettled')).toEqual([['unsettled', 'middle', 'far']]);
    expect(mapsFor({ ...crane, tableMap: [] }, 'unsettled')).toEqual([]);
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

describe('what belongs to the step at hand', () => {
  const crane = loadLibrary().find(({ slug }) => slug === 'crane-lift')!;
  const namesAt = (step: number) => placesFor(crane, 'right', step).map(({ what }) => what.en);

  it('on the table lies what is needed at that step, under its name', () => {
    expect(namesAt(1)).toEqual(['sponge blocks, 3 in', 'shoe box']);
    expect(namesAt(3)).toEqual(['clothespins', 'shoe box']);
    expect(namesAt(7)).toEqual(['clothespins', 'small cup']);
  });

  it('lines of other steps are not said, nor turns of the hands where both work at once', () => {
    const inTurn = applySettings(crane, { hands: 'bothInTurn' });
    const said = (step: number) => linesAt(inTurn, 'helperSteps', step).map(({ en }) => en);
    const turns = ['After five, switch hands.', 'Do a turn with one hand, then a turn with the other.'];
    expect(turns.filter((line) => said(1).includes(line))).toEqual([]);
    expect(turns.filter((line) => said(2).includes(line))).toEqual(turns);
  });

  it('over the whole library: nothing lies on the table that is not in the list of what is needed', () => {
    const stray = loadLibrary().flatMap((task) =>
      checkTask(task)
        .filter(({ code }) => code === 'placeNotNeeded')
        .map(({ path }) => `${task.slug} ${path}`),
    );
    expect(stray).toEqual([]);
  });
});
