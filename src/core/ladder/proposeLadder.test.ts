import fc from 'fast-check';
import { compareGrades, demandOf, KNOB_IDS, type Grade, type KnobKey, type TaskKnob } from '../knobs';
import { checkLadder, proposeLadder, type LadderOptions } from '.';

const level = (measures?: { openingMm: number; distanceMm: number }) => ({ en: 'x', es: 'x', ...(measures ? { measures } : {}) });
const knobsOf = (levels: readonly number[], weights: readonly number[]): TaskKnob[] =>
  levels.map((count, index) => ({ knob: KNOB_IDS[index]!, levels: Array.from({ length: count }, () => level()), weight: weights[index]! }));

/** Every chain of single-knob moves of exactly so many steps, that way, found by trying all. */
function allChains(options: LadderOptions, way: 1 | -1, steps: number): Grade[][] {
  if (steps === 0) return [[]];
  const go = (grade: Grade, left: number): Grade[][] => {
    if (left === 0) return [[]];
    return options.knobs.flatMap(({ knob, levels }) => {
      const at = grade[knob] ?? 0;
      const open = levels.map((_, index) => index).filter((index) => !options.offered?.[knob] || options.offered[knob].includes(index));
      const next = way === 1 ? open.find((index) => index > at) : open.filter((index) => index < at).at(-1);
      if (next === undefined) return [];
      const to = { ...grade, [knob]: next };
      return go(to, left - 1).map((rest) => [to, ...rest]);
    });
  };
  return go(options.start, steps);
}

function leastUnevenness(options: LadderOptions): number | null {
  const downs = allChains(options, -1, options.easierSteps);
  const ups = allChains(options, 1, options.harderSteps);
  let least: number | null = null;
  for (const down of downs) {
    for (const up of ups) {
      const demands = [...[...down].reverse(), options.start, ...up].map((grade) => demandOf(options.knobs, grade));
      const rises = demands.slice(1).map((demand, index) => demand - demands[index]!);
      const mean = rises.reduce((sum, rise) => sum + rise, 0) / rises.length;
      const unevenness = rises.reduce((sum, rise) => sum + (rise - mean) ** 2, 0);
      if (least === null || unevenness < least) least = unevenness;
    }
  }
  return least;
}

const someOptions = fc
  .record({
    sizes: fc.array(fc.integer({ min: 2, max: 4 }), { minLength: 2, maxLength: 3 }),
    weights: fc.array(fc.double({ min: 0.2, max: 3, noNaN: true }), { minLength: 3, maxLength: 3 }),
    starts: fc.array(fc.nat(3), { minLength: 3, maxLength: 3 }),
    easierSteps: fc.integer({ min: 0, max: 3 }),
    harderSteps: fc.integer({ min: 1, max: 3 }),
    offered: fc.option(fc.subarray([0, 1, 2, 3], { minLength: 1 }), { nil: null }),
    measured: fc.boolean(),
  })
  .map(({ sizes, weights, starts, easierSteps, harderSteps, offered, measured }): LadderOptions => {
    const knobs = knobsOf(sizes, weights).map((knob, index) =>
      measured && index === 0
        ? { ...knob, levels: knob.levels.map((_, place) => level({ openingMm: 80 / 2 ** place, distanceMm: 200 })) }
        : knob,
    );
    const start = Object.fromEntries(knobs.map(({ knob, levels }, index) => [knob, starts[index]! % levels.length]));
    return {
      knobs,
      start,
      easierSteps,
      harderSteps,
      ...(offered ? { offered: { [knobs[0]!.knob]: offered } as LadderOptions['offered'] } : {}),
    };
  });

describe('a proposed ladder', () => {
  it('is as even as the best that trying everything finds, and says so when there is none', () => {
    fc.assert(
      fc.property(someOptions, (options) => {
        const proposed = proposeLadder(options);
        const best = leastUnevenness(options);
        const complete = proposed.missing.easier === 0 && proposed.missing.harder === 0;
        expect(complete).toBe(best !== null);
        if (best !== null) expect(proposed.unevenness).toBeCloseTo(best, 9);
        else expect(proposed.usedUp.length).toBeGreaterThan(0);
      }),
      { seed: 23, numRuns: 400 },
    );
  });

  it('goes up by one knob a step, each step harder, and passes the checks', () => {
    fc.assert(
      fc.property(someOptions, (options) => {
        const { steps, startStep } = proposeLadder(options);
        steps.slice(1).forEach((step, index) => {
          expect(compareGrades(steps[index]!.grade, step.grade).relation).toBe('harder');
          expect(compareGrades(steps[index]!.grade, step.grade).moved).toHaveLength(1);
          expect(step.by!.rise).toBeCloseTo(step.demand - steps[index]!.demand, 10);
        });
        const findings = checkLadder(options.knobs, { steps, startStep, startReason: 'wherever it stands' });
        expect(findings.filter((finding) => finding.severity === 'error' && finding.code !== 'tooFewSteps')).toEqual([]);
        expect(compareGrades(steps[startStep - 1]!.grade, options.start).relation).toBe('equal');
      }),
      { seed: 29, numRuns: 200 },
    );
  });

  it('chooses the even way where there is one', () => {
    const knobs = knobsOf([3, 3], [2, 1]);
    const { steps, unevenness } = proposeLadder({ knobs, start: {}, easierSteps: 0, harderSteps: 2 });
    expect(unevenness).toBe(0);
    expect(steps.map((step) => step.by?.knob ?? null)).toEqual([null, steps[1]!.by!.knob, steps[1]!.by!.knob]);
  });

  it('explains each step by what makes it harder', () => {
    const { steps } = proposeLadder({ knobs: knobsOf([2, 2], [1, 1]), start: { help: 1 }, easierSteps: 1, harderSteps: 1 });
    expect(steps.map((step) => step.by)).toEqual([
      null,
      { knob: 'help', from: 0, to: 1, rise: 1 },
      { knob: 'visualCue', from: 0, to: 1, rise: 1 },
    ]);
  });

  it('says which knob is used up, and whether by its own end or by what the home lacks', () => {
    const knobs = knobsOf([2, 3], [1, 1]);
    const { missing, usedUp, steps } = proposeLadder({
      knobs,
      start: { help: 1, visualCue: 1 },
      offered: { visualCue: [0, 1] } as Partial<Record<KnobKey, number[]>>,
      easierSteps: 1,
      harderSteps: 2,
    });
    expect(missing).toEqual({ easier: 0, harder: 2 });
    expect(steps).toHaveLength(2);
    expect(usedUp).toEqual([
      { way: 'harder', knob: 'help', because: 'lastLevel' },
      { way: 'harder', knob: 'visualCue', because: 'notOffered' },
    ]);
  });

  it('finds a ladder of four steps each way over twelve knobs', () => {
    const knobs = knobsOf(
      Array.from({ length: 12 }, () => 9),
      Array.from({ length: 12 }, (_, index) => 1 + index * 0.137),
    );
    const proposed = proposeLadder({
      knobs,
      start: Object.fromEntries(knobs.map(({ knob }) => [knob, 4])),
      easierSteps: 4,
      harderSteps: 4,
    });
    expect(proposed.steps).toHaveLength(9);
    expect(proposed.unevenness).toBeCloseTo(0, 10);
  });

  it('refuses what it can not search', () => {
    const knobs = knobsOf([2, 2], [1, 1]);
    expect(() => proposeLadder({ knobs: [], start: {}, easierSteps: 1, harderSteps: 1 })).toThrow('The number of grading factors is 0');
    expect(() =>
      proposeLadder({
        knobs: Array.from({ length: 13 }, (_, index) => ({ ...knobs[0]!, knob: KNOB_IDS[index]! })),
        start: {},
        easierSteps: 1,
        harderSteps: 1,
      }),
    ).toThrow(RangeError);
    expect(() => proposeLadder({ knobs, start: {}, easierSteps: 7, harderSteps: 1 })).toThrow('from 0 to 6');
    expect(() => proposeLadder({ knobs, start: { help: 5 }, easierSteps: 1, harderSteps: 1 })).toThrow('which the task does not have');
    expect(() =>
      proposeLadder({
        knobs: [{ knob: 'help', levels: Array.from({ length: 11 }, () => level()) }],
        start: {},
        easierSteps: 0,
        harderSteps: 1,
      }),
    ).toThrow('from 2 to 10');
  });
});

describe('checks of measures', () => {
  const knobs: TaskKnob[] = [
    {
      knob: 'itemSize',
      levels: [
        { en: 'a', es: 'a', measures: { itemMm: 5 } },
        { en: 'b', es: 'b', measures: { itemMm: 30 } },
      ],
    },
    { knob: 'precision', levels: [level({ openingMm: 40, distanceMm: 100 }), level({ openingMm: 20, distanceMm: 100 })] },
    { knob: 'tool', levels: [level(), level(), level(), level()], weight: 0.3 },
  ];
  const find = (grades: Grade[]) => checkLadder(knobs, { steps: grades.map((grade) => ({ grade })), startStep: 2 });

  it('say when an item does not go into its opening', () => {
    expect(find([{}, { itemSize: 1 }, { itemSize: 1, precision: 1 }])).toContainEqual({
      severity: 'error',
      code: 'doesNotFit',
      step: 3,
      itemMm: 30,
      openingMm: 20,
    });
  });

  it('say when a later step has the easier measures', () => {
    const turned: TaskKnob[] = [
      { knob: 'precision', levels: [level({ openingMm: 2, distanceMm: 900 }), level({ openingMm: 500, distanceMm: 10 })], weight: 0.1 },
    ];
    expect(checkLadder(turned, { steps: [{ grade: {} }, { grade: { precision: 1 } }], startStep: 1, startReason: 'x' })).toContainEqual({
      severity: 'error',
      code: 'demandFalls',
      step: 2,
      knobs: ['precision'],
    });
  });

  it('say a big jump, and a knob that never moves', () => {
    const found = find([{}, { tool: 1 }, { tool: 2 }, { tool: 3 }, { tool: 3, precision: 1 }]);
    expect(found).toContainEqual(expect.objectContaining({ code: 'bigJump', severity: 'warning', step: 5 }));
    expect(found).toContainEqual({ severity: 'note', code: 'idleKnob', step: 1, knob: 'itemSize' });
  });
});

describe('ladders that cannot be climbed (B8)', () => {
  const words = (name: string) => ({ en: name });
  const itemInOpening: TaskKnob[] = [
    { knob: 'itemSize', levels: [20, 40].map((itemMm) => ({ en: 'x', measures: { itemMm } })) },
    { knob: 'precision', levels: [50, 30].map((openingMm) => ({ en: 'x', measures: { openingMm, distanceMm: 200 } })) },
  ];

  it('a grade whose item does not go into its opening is none: the step is missing, and it is said why', () => {
    const proposed = proposeLadder({ knobs: itemInOpening, start: {}, easierSteps: 0, harderSteps: 2 });
    expect(proposed.steps).toHaveLength(2);
    expect(proposed.missing).toEqual({ easier: 0, harder: 1 });
    expect(proposed.usedUp.map(({ because }) => because)).toContain('doesNotFit');
  });

  it('a start on a level that the home lacks is said', () => {
    const tool: TaskKnob[] = [
      { knob: 'tool', levels: ['wide', 'thin', 'fine'].map(words) },
      { knob: 'position', levels: ['sitting', 'standing'].map(words) },
    ];
    const proposed = proposeLadder({ knobs: tool, start: { tool: 2 }, offered: { tool: [0, 1] }, easierSteps: 0, harderSteps: 1 });
    expect(proposed.startNotOffered).toEqual(['tool']);
    expect(proposeLadder({ knobs: tool, start: { tool: 1 }, offered: { tool: [0, 1] }, easierSteps: 0, harderSteps: 1 })).toMatchObject({
      startNotOffered: [],
      falls: [],
    });
  });
});
