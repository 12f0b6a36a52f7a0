import { firstStepAt, isShape, nextShape, SHAPE_AGES, SHAPE_ORDERS, waitsAtImitating, type ShapeId, type TaskSettings } from '.';
import { loadLibrary } from '../../../library/loadLibrary';

const SCHOOLS = Object.keys(SHAPE_ORDERS) as (keyof typeof SHAPE_ORDERS)[];
const SHAPES = Object.keys(SHAPE_AGES) as ShapeId[];
const library = loadLibrary();
const taskOf = (shape: string) => library.filter((task) => task.shape === shape);

describe('the shapes of pre-writing (common practice, no source; ages from memory)', () => {
  it.each(SCHOOLS)('%s meets every shape once, and each has its ladder', (school) => {
    expect([...SHAPE_ORDERS[school]].filter(isShape).sort()).toEqual([...SHAPES].sort());
    for (const shape of SHAPES) expect([shape, taskOf(shape).length]).toEqual([shape, 1]);
  });

  it('every school proposes a shape of its own order after each, and none after the last', () => {
    for (const school of SCHOOLS) {
      const order = SHAPE_ORDERS[school];
      const walked = [order[0] as string];
      for (let next = nextShape({ shapeOrder: school }, walked[0]!); next; next = nextShape({ shapeOrder: school }, next))
        walked.push(next);
      expect(walked).toEqual([...order]);
    }
  });

  it('another school changes the next proposal for most shapes', () => {
    const nextOf = (school: (typeof SCHOOLS)[number]) => SHAPES.map((shape) => nextShape({ shapeOrder: school }, shape));
    const [strokes, circle, crossings] = SCHOOLS.map(nextOf) as [string[], string[], string[]];
    const differ = (a: readonly string[], b: readonly string[]) => SHAPES.filter((_, place) => a[place] !== b[place]).length;
    expect(differ(strokes, circle)).toBeGreaterThanOrEqual(9);
    expect(differ(strokes, crossings)).toBeGreaterThanOrEqual(9);
    expect(differ(circle, crossings)).toBeGreaterThanOrEqual(9);
  });

  it.each<[TaskSettings, string, string | null]>([
    [{ shapeOrder: 'strokesFirst' }, 'circle', 'cross'],
    [{ shapeOrder: 'circleFirst' }, 'triangle', 'letters'],
    [{ shapeOrder: 'crossingsFirst' }, 'cross', 'x'],
    [{ shapeOrder: 'free', freeShapes: ['x', 'star'] }, 'x', 'star'],
    [{ shapeOrder: 'free', freeShapes: ['x', 'star'] }, 'star', null],
    [{ shapeOrder: 'free', freeShapes: ['x', 'star'] }, 'circle', null],
    [{}, 'diamond', null],
  ])('%j: after %s comes %s', (settings, shape, next) => {
    expect(nextShape(settings, shape)).toBe(next);
  });

  it.each([
    ['diamond', 77, true],
    ['diamond', 78, false],
    ['circle', 29, true],
    ['circle', 30, false],
  ] as const)('%s at %s months waits at imitating: %s', (shape, months, waits) => {
    expect(waitsAtImitating(shape, months)).toBe(waits);
  });

  it('every ladder goes from guided to memory, each shape drawn twice', () => {
    for (const shape of SHAPES) {
      const [task] = taskOf(shape);
      const marks = task!.knobs.find(({ knob }) => knob === 'markMaking')!.levels.map(({ usual }) => usual);
      expect(marks).toEqual(['guided', 'traced', 'imitated', 'copied', 'remembered']);
      expect([task!.ladder.steps[0]!.grade.markMaking, task!.ladder.steps.at(-1)!.grade.markMaking]).toEqual([0, 4]);
      expect(task!.dose.target).toEqual({ kind: 'count', perRound: 2 });
    }
  });

  it.each([
    ['square', 40, 2],
    ['square', 50, 6],
    ['square', 60, 8],
  ])('%s is begun at %s months at step %s', (shape, months, step) => {
    expect(firstStepAt(taskOf(shape)[0]!, months)).toBe(step);
  });

  it('any other task is begun where its author says', () => {
    const crane = library.find(({ slug }) => slug === 'crane-lift')!;
    expect(firstStepAt(crane, 40)).toBe(crane.ladder.startStep);
  });
});
