import { heldByAge, proposedShape } from '.';
import { type Suggestion } from '../stepRules';
import { streakRule } from '../../../tests/fixtures/streakRule';
import { calendarDay } from '../calendar';
import { loadLibrary } from '../../../library/loadLibrary';

const library = loadLibrary();
const diamond = library.find(({ shape }) => shape === 'diamond')!;
const crane = library.find(({ slug }) => slug === 'crane-lift')!;
const upTo = (toStep: number): Suggestion => ({
  ...streakRule({
    sessions: [],
    currentStep: toStep - 1,
    stepSinceVersion: 1,
    stepCount: 12,
    today: calendarDay('2026-11-24'),
    stopReportIds: [],
  }),
  move: 'up',
  toStep,
});
/** The step that first asks to copy from a card. */
const COPIED = 8;

describe('a shape’s ladder waits at imitating long before the usual age of copying', () => {
  it.each([
    [COPIED, 60, 'ladderEnd', COPIED - 1],
    [COPIED - 1, 60, 'up', COPIED - 1],
    [COPIED, 80, 'up', COPIED],
    [12, 60, 'ladderEnd', 11],
  ])('up to step %s at %s months: %s, step %s', (toStep, months, move, stays) => {
    expect(heldByAge(upTo(toStep), diamond, months)).toMatchObject({ move, toStep: stays });
  });

  it('leaves every other task and every other move as it is', () => {
    expect(heldByAge(upTo(5), crane, 40)).toEqual(upTo(5));
    const down = { ...upTo(COPIED), move: 'down' } as const;
    expect(heldByAge(down, diamond, 40)).toEqual(down);
  });
});

it('at the end of its ladder the school’s order proposes the next, the child’s own school before the task’s', () => {
  const circle = library.find(({ shape }) => shape === 'circle')!;
  expect(proposedShape(circle, {})).toEqual({ shape: 'cross', order: 'strokesFirst' });
  expect(proposedShape(circle, { shapeOrder: 'crossingsFirst' })?.shape).toBe('triangle');
  expect(proposedShape(circle, { shapeOrder: 'crossingsFirst' }, { shapeOrder: 'circleFirst' })?.shape).toBe('cross');
  expect(proposedShape(crane, {})).toBeNull();
});
