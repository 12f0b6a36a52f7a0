import {
  applySettings,
  dressedIn,
  filledStep,
  mayChangeMarkOrder,
  mayChangeShapeOrder,
  skinsOf,
  taskContentSchema,
  taskDraftSchema,
  type TaskContent,
  type TaskSettings,
} from '.';
import { loadLibrary } from '../../../library/loadLibrary';
import { shapesInOneLadder } from '../../../tests/fixtures/shapesInOneLadder';
import { minutesOf, calculateDose } from '../dose';

const library = [...loadLibrary(), ...shapesInOneLadder];
const task = (slug: string) => library.find((each) => each.slug === slug)!;
const settled = (slug: string, settings: TaskSettings) => applySettings(task(slug), settings);
const says = (content: TaskContent, text: string) => [...content.helperSteps, ...content.looksRight].some((each) => each.en.includes(text));
const names = (content: TaskContent) => content.ladder.steps.map((step) => step.name.en);

describe('settings where schools of thought differ change the task, not only a label', () => {
  it('the order of shapes changes the ladder and what each step asks for', () => {
    const [strokes, crossings] = [
      settled('roofs-and-ramps', { shapeOrder: 'strokesFirst' }),
      settled('roofs-and-ramps', { shapeOrder: 'crossingsFirst' }),
    ];
    const shapesOf = (content: TaskContent) => content.knobs[0]!.levels.map((level) => level.usual);
    expect(shapesOf(strokes)).toEqual(['slantLeft', 'triangle']);
    expect(shapesOf(crossings)).toEqual(['triangle', 'slantLeft']);
    expect(strokes.ladder.steps[0]!.how.en).toBe('With a short crayon, by the numbers: slant lines. {child} goes over the line.');
    expect(crossings.ladder.steps[0]!.how.en).toBe('With a short crayon, by the numbers: triangle. {child} goes over the line.');
    expect(crossings.ladder.steps[0]!.how.es).toContain('triángulo');
  });

  it('a free order is the therapist’s own', () => {
    const free = settled('crossed-beams', { shapeOrder: 'free', freeShapes: ['x', 'cross'] });
    expect(free.knobs[0]!.levels.map((level) => level.usual)).toEqual(['x', 'cross']);
    expect(free.ladder.steps[0]!.how.en).toContain('X');
  });

  it('imitate first puts watching before tracing', () => {
    const [trace, imitate] = [
      settled('crossed-beams', { markOrder: 'traceFirst' }),
      settled('crossed-beams', { markOrder: 'imitateFirst' }),
    ];
    expect(names(trace).slice(0, 2)).toEqual(['cross, traced', 'cross, watched, then done']);
    expect(names(imitate).slice(0, 2)).toEqual(['cross, watched, then done', 'cross, traced']);
    expect(imitate.ladder.steps[0]!.how.en).toContain('You do one first. {child} watches, then does it too.');
    expect(imitate.ladder.steps[0]!.how.es).toContain('Primero hágalo usted. {child} mira');
    expect(
      imitate.knobs
        .find((knob) => knob.knob === 'markMaking')!
        .levels.slice(0, 2)
        .map((level) => level.usual),
    ).toEqual(['imitated', 'traced']);
  });

  it('help by the wrist takes hand over hand off the ladder, help by the tool the wrist too', () => {
    expect(settled('road-loop', { helpBy: 'hand' }).ladder.steps).toHaveLength(5);
    const wrist = settled('road-loop', { helpBy: 'wrist' });
    expect(wrist.ladder.steps).toHaveLength(4);
    expect(names(wrist)[0]).toBe('shown');
    // The start stays on its step.
    expect(names(wrist)[wrist.ladder.startStep - 1]).toBe(names(task('road-loop'))[task('road-loop').ladder.startStep - 1]);
    expect(says(wrist, 'Leave the hand free')).toBe(true);
    expect(names(settled('road-loop', { helpBy: 'tool' }))[0]).toBe('shown');
  });

  it('materials move along with the steps that are left', () => {
    const road = task('road-loop');
    const late = { ...road, materials: road.materials.map((material) => ({ ...material, steps: { from: 4, to: 5 } })) };
    expect(applySettings(late, { helpBy: 'tool' }).materials[0]!.steps).toEqual({ from: 3, to: 4 });
  });

  it('what only steps needed that a setting took away is needed no more (B11)', () => {
    const whole = task('road-loop');
    const only = (from: number, to: number) => {
      const [first] = whole.materials;
      const extra = { ...first!, id: 'only-here', steps: { from, to } };
      return applySettings({ ...whole, materials: [...whole.materials, extra] }, { helpBy: 'tool' }).materials.find(
        ({ id }) => id === 'only-here',
      );
    };
    // Help by the tool takes the first step, hand over hand, off this ladder.
    expect(only(1, 1)).toBeUndefined();
    expect(only(2, 2)!.steps).toEqual({ from: 1, to: 1 });
  });

  it('hands change the dose, the table and what the helper is told', () => {
    const preferred = settled('crane-lift', { hands: 'preferred' });
    const both = settled('crane-lift', { hands: 'bothInTurn' });
    const across = settled('crane-lift', { hands: 'acrossMiddle' });
    expect(calculateDose(preferred.dose, 5).perDay).toBe(5);
    expect(calculateDose(both.dose, 5).perDay).toBe(10);
    expect(across.tableMap[0]!.place).toBe('otherSide');
    expect(across.tableMap[1]!.place).toBe('preferredSide');
    expect(says(across, 'the arm has to cross')).toBe(true);
  });

  it('grasp and line say what counts; close enough takes the narrowest path away', () => {
    expect(says(settled('short-tools', { grasp: 'anyPinch' }), 'Any pinch that works')).toBe(true);
    const [kept, close] = [settled('arch', { accuracy: 'lineKept' }), settled('arch', { accuracy: 'closeEnough' })];
    expect(kept.ladder.steps.length - close.ladder.steps.length).toBe(1);
    expect(says(close, 'near the line')).toBe(true);
  });

  it('least to most waits before it helps, so that it takes longer', () => {
    const [most, least] = [settled('crane-lift', { promptFading: 'mostToLeast' }), settled('crane-lift', { promptFading: 'leastToMost' })];
    expect(minutesOf(least.dose)).toBeGreaterThan(minutesOf(most.dose));
    expect(says(least, 'Wait and count to five')).toBe(true);
  });

  it('leaves alone what a task does not know, and takes the task’s own where nobody chose', () => {
    expect(settled('star-beams', { shapeOrder: 'circleFirst', grasp: 'threeFingers' })).toEqual(settled('star-beams', {}));
    expect(says(settled('crane-lift', {}), 'Thumb and two fingers hold it')).toBe(true);
  });
});

it('a task says itself whether its order can change: its steps name shape and mark by their holes', () => {
  const beams = task('crossed-beams');
  expect([mayChangeShapeOrder(beams), mayChangeMarkOrder(beams)]).toEqual([true, true]);
  const fixed = {
    ...beams,
    ladder: { ...beams.ladder, steps: beams.ladder.steps.map((step) => ({ ...step, how: { en: 'Draw.', es: 'Dibuje.' } })) },
  };
  expect([mayChangeShapeOrder(fixed), mayChangeMarkOrder(fixed)]).toEqual([false, false]);
  // A setting that would only change a label is left alone.
  expect(applySettings(fixed, { markOrder: 'imitateFirst' }).knobs.find((knob) => knob.knob === 'markMaking')).toEqual(
    beams.knobs.find((knob) => knob.knob === 'markMaking'),
  );
  expect(filledStep(beams, beams.ladder.steps[0]!).name).toEqual({ en: 'cross, traced', es: 'cruz, repasado' });
});

describe('skins', () => {
  it('change title and story, and nothing of the mechanics', () => {
    const crane = task('crane-lift');
    const kites = dressedIn(crane, 'weatherStation');
    expect(kites.title.en).toBe('Kite lift');
    expect(kites.story).not.toEqual(crane.story);
    expect({ ...kites, title: crane.title, story: crane.story }).toEqual(crane);
    expect(skinsOf(crane)).toEqual(['buildersYard', 'weatherStation', 'marketStall']);
    expect(skinsOf({ skins: {} })).toEqual(['buildersYard']);
    expect(dressedIn({ ...crane, skins: {} }, 'marketStall')).toEqual({ ...crane, skins: {} });
  });
});

describe('a task that is still on the bench', () => {
  it('may have empty words and lists, which a finished one may not', () => {
    const bare = { ...task('crane-lift'), title: { en: '', es: '' }, helperSteps: [] };
    expect(taskDraftSchema.safeParse(bare).success).toBe(true);
    expect(taskContentSchema.safeParse(bare).error!.issues.map((issue) => issue.path.join('.'))).toEqual([
      'title.en',
      'title.es',
      'helperSteps',
    ]);
  });

  it('takes knobs of its own, by a name that tells them apart', () => {
    const own = {
      ...task('crane-lift'),
      knobs: [
        {
          knob: 'own:wind',
          name: { en: 'wind', es: 'viento' },
          levels: [
            { en: 'a', es: 'a' },
            { en: 'b', es: 'b' },
          ],
        },
      ],
    };
    expect(taskContentSchema.safeParse(own).success).toBe(true);
    expect(taskContentSchema.safeParse({ ...own, knobs: [{ ...own.knobs[0]!, knob: 'wind' }] }).success).toBe(false);
  });
});
