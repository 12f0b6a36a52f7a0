import fc from 'fast-check';
import { compareGrades, demandOf, KNOB_IDS, type Grade, type KnobId, type TaskKnob } from '../knobs';
import { checkLadder, type Ladder } from '.';

const level = (name: string) => ({ en: name, es: name });
const knobs: TaskKnob[] = [
  { knob: 'tool', levels: ['wide tongs', 'thin tongs', 'tweezers'].map(level) },
  { knob: 'itemSize', levels: ['70 mm', '12 mm'].map(level) },
  { knob: 'position', levels: ['sitting', 'standing'].map(level), weight: 2 },
];
const ladder = (grades: Grade[], rest: Partial<Ladder> = {}): Ladder => ({
  steps: grades.map((grade) => ({ grade })),
  startStep: 2,
  ...rest,
});
const sound = ladder([{ tool: 0 }, { tool: 1 }, { tool: 1, itemSize: 1 }, { tool: 1, itemSize: 1, position: 1 }]);

const someGrade = fc.record(
  Object.fromEntries(KNOB_IDS.slice(0, 4).map((knob) => [knob, fc.integer({ min: 0, max: 3 })])) as Record<KnobId, fc.Arbitrary<number>>,
);
const fourKnobs: TaskKnob[] = KNOB_IDS.slice(0, 4).map((knob) => ({ knob, levels: ['a', 'b', 'c', 'd'].map(level) }));
const seeded = { seed: 7, numRuns: 500 };

describe('order of grades', () => {
  it.each([
    [{ tool: 0 }, { tool: 1 }, 'harder'],
    [{ tool: 2 }, { tool: 1 }, 'easier'],
    [{ tool: 1 }, { tool: 1 }, 'equal'],
    [{ tool: 1, itemSize: 0 }, { tool: 0, itemSize: 1 }, 'mixed'],
    // A knob that is not named stands at its easiest level.
    [{}, { position: 1 }, 'harder'],
  ] as const)('%j to %j is %s', (from, to, relation) => {
    expect(compareGrades(from, to).relation).toBe(relation);
  });

  it('names every knob that moved, with both levels', () => {
    expect(compareGrades({ tool: 0, itemSize: 0 }, { tool: 2, itemSize: 1 }).moved).toEqual([
      { knob: 'tool', from: 0, to: 2 },
      { knob: 'itemSize', from: 0, to: 1 },
    ]);
  });

  it('is a partial order: antisymmetric and transitive', () => {
    const mirror = { harder: 'easier', easier: 'harder', equal: 'equal', mixed: 'mixed' };
    fc.assert(
      fc.property(someGrade, someGrade, someGrade, (a, b, c) => {
        expect(compareGrades(b, a).relation).toBe(mirror[compareGrades(a, b).relation]);
        if (compareGrades(a, b).relation === 'harder' && compareGrades(b, c).relation === 'harder')
          expect(compareGrades(a, c).relation).toBe('harder');
      }),
      seeded,
    );
  });

  it('is respected by demand: a harder grade has the larger number', () => {
    fc.assert(
      fc.property(someGrade, someGrade, (a, b) => {
        if (compareGrades(a, b).relation === 'harder') expect(demandOf(fourKnobs, b)).toBeGreaterThan(demandOf(fourKnobs, a));
      }),
      seeded,
    );
  });

  it('scales each knob from 0 to 1 and weighs it', () => {
    expect(demandOf(knobs, { tool: 1 })).toBe(0.5);
    expect(demandOf(knobs, { tool: 2, itemSize: 1, position: 1 })).toBe(4);
    expect(() => demandOf([{ knob: 'tool', levels: [level('only')] }], {})).toThrow(RangeError);
  });
});

/** Findings to fix; uneven rises are only a note. */
const mended = (of: Ladder) => checkLadder(knobs, of).filter(({ severity }) => severity !== 'note');

describe('checks of a ladder', () => {
  it('finds nothing in a sound one', () => {
    expect(mended(sound)).toEqual([]);
  });

  it.each([
    ['equal steps', [{ tool: 0 }, { tool: 0 }, { tool: 1 }], { code: 'equalSteps', step: 2, severity: 'error' }],
    ['an easier step', [{ tool: 0 }, { tool: 2 }, { tool: 1 }], { code: 'easierStep', step: 3, severity: 'error' }],
    ['a mixed step', [{ tool: 1 }, { tool: 0, itemSize: 1 }, { tool: 2, itemSize: 1 }], { code: 'mixedStep', step: 2, severity: 'error' }],
    [
      'two knobs at once',
      [{ tool: 0 }, { tool: 1, itemSize: 1 }, { tool: 2, itemSize: 1 }],
      { code: 'manyKnobs', step: 2, severity: 'warning' },
    ],
    [
      'three knobs at once',
      [{}, { tool: 1, itemSize: 1, position: 1 }, { tool: 2, itemSize: 1, position: 1 }],
      { code: 'manyKnobs', step: 2, severity: 'error' },
    ],
    [
      'a knob that the task has not',
      [{ tool: 0 }, { tempo: 1 }, { tempo: 1, tool: 1 }],
      { code: 'unknownKnob', step: 2, severity: 'error' },
    ],
    ['a level beyond the knob', [{ tool: 0 }, { tool: 1 }, { tool: 3 }], { code: 'levelOutOfRange', step: 3, severity: 'error' }],
  ] as const)('finds %s', (_name, grades, finding) => {
    expect(checkLadder(knobs, ladder([...grades]))).toContainEqual(expect.objectContaining(finding));
  });

  it('takes a reason for three knobs as a note', () => {
    const steps = [
      { grade: {} },
      { grade: { tool: 1, itemSize: 1, position: 1 }, manyKnobsReason: 'They come as one set' },
      { grade: { tool: 2, itemSize: 1, position: 1 } },
    ];
    expect(checkLadder(knobs, { steps, startStep: 2 }).map((finding) => finding.severity)).toEqual(['note']);
  });

  it('asks for an easier and a harder neighbour of the start, or a reason', () => {
    expect(mended({ ...sound, startStep: 1 })).toEqual([{ severity: 'error', code: 'startAtEnd', step: 1 }]);
    expect(mended({ ...sound, startStep: 1, startReason: 'The first one is success for sure' })).toEqual([]);
    expect(mended({ ...sound, startStep: 5 })).toEqual([{ severity: 'error', code: 'startOffLadder', step: 5, count: 4 }]);
    expect(checkLadder(knobs, ladder([{ tool: 0 }], { startStep: 1, startReason: 'x' }))).toContainEqual(
      expect.objectContaining({ code: 'tooFewSteps' }),
    );
  });
});

it('says where measures cancel the rise that a knob promised', () => {
  // 3 bits to begin with, 1 bit after (Fitts): half of the 2 bits lost is just what the knob's whole way brings.
  const far: TaskKnob[] = [
    {
      knob: 'precision',
      levels: [
        { en: 'far', measures: { distanceMm: 70, openingMm: 10 } },
        { en: 'near', measures: { distanceMm: 10, openingMm: 10 } },
      ],
    },
  ];
  const codes = checkLadder(far, { steps: [{ grade: { precision: 0 } }, { grade: { precision: 1 } }], startStep: 1 }).map(
    ({ code }) => code,
  );
  expect(codes).toContain('demandFalls');
});

describe('knobs and rises at their bounds', () => {
  const steps = (levels: number[]) => ({ steps: levels.map((tool) => ({ grade: { tool } })), startStep: 2 });
  const toolOf = (count: number, weight?: number): TaskKnob[] => [
    { knob: 'tool', levels: Array.from({ length: count }, () => level('x')), ...(weight === undefined ? {} : { weight }) },
  ];
  const codes = (of: TaskKnob[], on: Ladder) => checkLadder(of, on).map(({ code }) => code);

  it.each([
    ['one level alone', toolOf(1), 'fewLevels'],
    ['a weight of nothing', toolOf(3, 0), 'badWeight'],
    ['a weight of no number', toolOf(3, Number.NaN), 'badWeight'],
    ['the same knob twice', [...toolOf(3), ...toolOf(3)], 'sameKnobTwice'],
  ])('%s is said, and nothing is reckoned over it', (_what, of, code) => {
    expect(new Set(codes(of, steps([0, 1, 2])))).toEqual(new Set([code]));
  });

  it('a big jump is said from three rises on: of two no middle one can be told', () => {
    const jump = 9;
    expect(codes(toolOf(jump + 2), steps([0, 1, jump]))).toEqual([]);
    expect(codes(toolOf(jump + 3), steps([0, 1, 2, jump]))).toEqual(['bigJump']);
  });

  it('a rise over one and a half times the middle one is noted, over three times warned of', () => {
    const rise = (levels: number[]) =>
      checkLadder(toolOf(12), steps(levels)).flatMap((found) =>
        found.code === 'bigJump' ? [[found.severity, found.step, Math.round(found.times)]] : [],
      );
    expect(rise([0, 2, 4, 7])).toEqual([]);
    expect(rise([0, 1, 2, 4])).toEqual([['note', 4, 2]]);
    expect(rise([0, 1, 2, 6])).toEqual([['warning', 4, 4]]);
  });
});
