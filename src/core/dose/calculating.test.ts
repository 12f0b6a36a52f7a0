import { checkHeavyGrip, HEAVY_GRIP_CAP, observedPace, repetitionsBySkill, repetitionsFrom, type Dose } from '.';

const dose = (change: Partial<Dose> = {}): Dose => ({
  target: { kind: 'count', perRound: 5 },
  rounds: 1,
  hands: 'each',
  secondsEach: 12,
  restSeconds: 0,
  setUpMinutes: 2,
  tidyUpMinutes: 1,
  piecesPerRepetition: 1,
  setUpMovements: [],
  heavyGrip: false,
  ...change,
});

describe('from pieces back to repetitions (common practice, no source)', () => {
  it.each([
    [10, dose(), { repetitions: 10, perHand: 5, left: 0 }],
    [13, dose(), { repetitions: 12, perHand: 6, left: 1 }],
    [27, dose({ hands: 'preferred' }), { repetitions: 27, perHand: 27, left: 0 }],
    [11, dose({ hands: 'both', piecesPerRepetition: 2 }), { repetitions: 5, perHand: 5, left: 1 }],
    [20, dose({ rounds: 3 }), { repetitions: 18, perHand: 9, left: 2 }],
    [1, dose(), { repetitions: 0, perHand: 0, left: 1 }],
  ])('%d pieces', (pieces, given, answer) => {
    expect(repetitionsFrom(pieces, given)).toEqual(answer);
  });

  it('refuses what is no number of pieces', () => {
    expect(() => repetitionsFrom(-1, dose())).toThrow(RangeError);
    expect(() => repetitionsFrom(2.5, dose())).toThrow(RangeError);
  });
});

describe('the child’s own pace', () => {
  it('moves from the task’s figure, which is worth three sessions', () => {
    expect(observedPace(10, [])).toBeCloseTo(10, 12);
    expect(observedPace(10, [{ minutes: 4, repetitions: 12 }])).toBeCloseTo(10 ** 0.75 * 20 ** 0.25, 10);
    const many = Array.from({ length: 200 }, () => ({ minutes: 4, repetitions: 12 }));
    expect(observedPace(10, many)).toBeCloseTo(20, 0);
  });

  it('leaves out what says nothing, and refuses a figure that is none', () => {
    expect(
      observedPace(10, [
        { minutes: 0, repetitions: 12 },
        { minutes: 3, repetitions: 0 },
      ]),
    ).toBeCloseTo(10, 12);
    expect(() => observedPace(0, [])).toThrow(RangeError);
  });
});

describe('firm squeezing', () => {
  const heavy = (perRound: number, weekdays: number[]) => ({
    dose: dose({ target: { kind: 'count', perRound }, hands: 'preferred', heavyGrip: true }),
    weekdays,
  });

  it('is capped by the day over all tasks', () => {
    expect(checkHeavyGrip([heavy(HEAVY_GRIP_CAP, [1])])).toEqual([]);
    expect(checkHeavyGrip([heavy(30, [1]), heavy(11, [1])])).toEqual([{ code: 'heavyGripOverCap', weekday: 1, repetitions: 41, cap: 40 }]);
  });

  it('has a day of rest between, Sunday and Monday too', () => {
    expect(checkHeavyGrip([heavy(5, [1, 3, 5])])).toEqual([]);
    expect(checkHeavyGrip([heavy(5, [2, 3])])).toEqual([{ code: 'heavyGripNoRest', weekday: 2 }]);
    expect(checkHeavyGrip([heavy(5, [1]), heavy(5, [7])])).toEqual([{ code: 'heavyGripNoRest', weekday: 7 }]);
  });

  it('counts time by the seconds that each takes, and nothing that is not firm', () => {
    const timed = {
      dose: dose({ target: { kind: 'time', minutesPerRound: 5 }, hands: 'both', secondsEach: 6, heavyGrip: true }),
      weekdays: [2],
    };
    expect(checkHeavyGrip([timed])).toEqual([{ code: 'heavyGripOverCap', weekday: 2, repetitions: 50, cap: 40 }]);
    expect(checkHeavyGrip([{ ...timed, dose: { ...timed.dose, heavyGrip: false } }])).toEqual([]);
  });
});

it('adds up a week by skill, set-up and minutes beside', () => {
  const lid = { name: { en: 'lid', es: 'tapa' }, skill: 'reciprocalHandUse', timesPerRound: 2 } as const;
  expect(
    repetitionsBySkill([
      { skill: 'gluing', dose: dose({ hands: 'preferred', rounds: 2, setUpMovements: [lid] }), daysPerWeek: 3 },
      { skill: 'reciprocalHandUse', dose: dose(), daysPerWeek: 1 },
      { skill: 'wristExtension', dose: dose({ target: { kind: 'time', minutesPerRound: 4 }, hands: 'both' }), daysPerWeek: 2 },
    ]),
  ).toEqual([
    { skill: 'gluing', perWeek: 30, inSetUp: 0, minutes: 0 },
    { skill: 'reciprocalHandUse', perWeek: 22, inSetUp: 12, minutes: 0 },
    { skill: 'wristExtension', perWeek: 0, inSetUp: 0, minutes: 8 },
  ]);
});
