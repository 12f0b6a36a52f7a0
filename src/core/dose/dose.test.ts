import fc from 'fast-check';
import { dayTargetOf, doseAt, minutesOf, calculateDose, type Dose } from '.';

const twist = { name: { en: 'lid twisted', es: 'tapa girada' }, skill: 'reciprocalHandUse', timesPerRound: 1 } as const;
const dose = (change: Partial<Dose> = {}): Dose => ({
  target: { kind: 'count', perRound: 5 },
  rounds: 1,
  hands: 'each',
  secondsEach: 12,
  restSeconds: 0,
  setUpMinutes: 2,
  tidyUpMinutes: 1,
  piecesPerRepetition: 0,
  setUpMovements: [],
  heavyGrip: false,
  ...change,
});

describe('arithmetic of a dose (common practice, no source)', () => {
  it('five per hand needs ten bands', () => {
    expect(calculateDose(dose({ piecesPerRepetition: 1 }), 5)).toMatchObject({ perHand: 5, perDay: 10, perWeek: 50, piecesPerDay: 10 });
  });

  it('a lid opened and closed for three gluings is three twists each way', () => {
    const opened = { ...twist, name: { en: 'open', es: 'abrir' } };
    const closed = { ...twist, name: { en: 'close', es: 'cerrar' } };
    const calculated = calculateDose(dose({ rounds: 3, setUpMovements: [opened, closed] }), 4);
    expect(calculated.setUp.map(({ perDay, perWeek }) => [perDay, perWeek])).toEqual([
      [3, 12],
      [3, 12],
    ]);
  });

  it('counts minutes and pieces in their own units', () => {
    expect(calculateDose(dose({ target: { kind: 'time', minutesPerRound: 2.5 }, hands: 'both' }), 3)).toMatchObject({
      unit: 'minutes',
      perDay: 2.5,
      perWeek: 7.5,
      piecesPerDay: 0,
    });
    expect(calculateDose(dose({ target: { kind: 'untilDone', pieces: 6 }, hands: 'preferred' }), 2)).toMatchObject({
      unit: 'pieces',
      perDay: 6,
      piecesPerDay: 6,
    });
  });

  it('counts what is held by the times, and takes its seconds along', () => {
    const held = dose({ target: { kind: 'hold', times: 3, seconds: 5 }, rounds: 1, secondsEach: 7, hands: 'each' });
    expect(calculateDose(held, 2)).toMatchObject({ unit: 'holds', perHand: 3, perDay: 6, perWeek: 12 });
    // 2 set-up + 6 × (7 + 5) s + 1 tidy-up
    expect(minutesOf(held)).toBeCloseTo(2 + 72 / 60 + 1, 10);
  });

  it('asks for nothing where it only watches', () => {
    expect(calculateDose(dose({ target: { kind: 'watch' } }), 5)).toMatchObject({ perDay: 0, perWeek: 0, piecesPerDay: 0 });
    expect(dayTargetOf(dose({ target: { kind: 'watch' } }))).toBeNull();
    expect(dayTargetOf(dose())).toBe(10);
  });

  it('is that of the step, where the step has its own', () => {
    const planned = { ...dose(), atSteps: { 2: { hands: 'both' as const }, 3: { target: { kind: 'count' as const, perRound: 8 } } } };
    expect([1, 2, 3].map((step) => calculateDose(doseAt(planned, step), 1).perDay)).toEqual([10, 5, 16]);
  });

  it.each([
    ['no repetitions', dose({ target: { kind: 'count', perRound: 0 } }), 5],
    ['half a repetition', dose({ target: { kind: 'count', perRound: 2.5 } }), 5],
    ['no round', dose({ rounds: 0 }), 5],
    ['nothing held', dose({ target: { kind: 'hold', times: 0, seconds: 5 } }), 5],
    ['held for no time', dose({ target: { kind: 'hold', times: 3, seconds: 0 } }), 5],
    ['no minutes', dose({ target: { kind: 'time', minutesPerRound: 0 } }), 5],
    ['eight days', dose(), 8],
    ['minus one day', dose(), -1],
  ])('refuses %s', (_name, bad, days) => {
    expect(() => calculateDose(bad, days)).toThrow(RangeError);
  });

  it('a day is the product of its factors, a week the sum of its days', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 9 }),
        fc.constantFrom('each', 'both', 'preferred'),
        fc.integer({ min: 0, max: 7 }),
        (perRound, rounds, hands, days) => {
          const calculated = calculateDose(dose({ target: { kind: 'count', perRound }, rounds, hands }), days);
          expect(calculated.perDay).toBe(calculated.perRound * calculated.handTurns * calculated.rounds);
          expect(calculated.perWeek).toBe(calculated.perDay * days);
          expect(calculated.perDay).toBe(calculated.perHand * calculated.handTurns);
        },
      ),
      { seed: 3, numRuns: 200 },
    );
  });
});

describe('minutes', () => {
  it('is set-up, work by rounds with rest, and tidy-up', () => {
    expect(minutesOf(dose())).toBe(5);
    expect(minutesOf(dose({ rounds: 2, restSeconds: 30 }))).toBe(2 + 2 * (2 + 0.5) + 1);
    expect(minutesOf(dose({ target: { kind: 'time', minutesPerRound: 2 }, rounds: 2 }))).toBe(2 + 2 * 4 + 1);
  });
});
