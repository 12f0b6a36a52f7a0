import fc from 'fast-check';
import {
  demandOf,
  demandCalculator,
  FIELD_KNOBS,
  fittsBits,
  isFieldKnob,
  KNOB_IDS,
  measuresAt,
  physicalDifficulty,
  steeringIndex,
  type Grade,
  type Measures,
  type TaskKnob,
} from '.';
import en from '../../../messages/family/en.json';
import es from '../../../messages/family/es.json';

describe('Fitts’s law, Shannon form (MacKenzie 1992; ISO/TS 9241-411)', () => {
  // Worked values: closed forms, computed with two independent implementations.
  it.each([
    [31, 1, 5],
    [256, 32, 3.169925],
    [0, 10, 0],
    [10, 10, 1],
  ])('D %d, W %d → %d bits', (distance, width, bits) => {
    expect(fittsBits(distance, width)).toBeCloseTo(bits, 6);
  });

  it('refuses what is no distance or width', () => {
    expect(() => fittsBits(-1, 10)).toThrow('distanceMm is -1, but must be a number from 0');
    expect(() => fittsBits(10, 0)).toThrow(RangeError);
    expect(() => fittsBits(Number.NaN, 1)).toThrow(RangeError);
  });
});

describe('the steering law (Accot & Zhai 1997)', () => {
  // Worked values: closed forms, computed with two independent implementations.
  it('of a straight path, a circle and a narrowing one', () => {
    expect(steeringIndex(250, 50)).toBe(5);
    expect(steeringIndex(2 * Math.PI * 50, 10)).toBeCloseTo(31.415927, 6);
    expect(steeringIndex(250, 50, 8)).toBeCloseTo(10.908223, 6);
  });

  it('of a narrowing path is what adding up thin slices gives, either way round', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 1, max: 80, noNaN: true }),
        fc.double({ min: 1, max: 80, noNaN: true }),
        (length, from, to) => {
          const slices = 2000;
          let sum = 0;
          for (let slice = 0; slice < slices; slice += 1) sum += length / slices / (from + ((to - from) * (slice + 0.5)) / slices);
          expect(steeringIndex(length, from, to)).toBeCloseTo(sum, 2);
          expect(steeringIndex(length, to, from)).toBeCloseTo(steeringIndex(length, from, to), 8);
        },
      ),
      { seed: 11, numRuns: 60 },
    );
  });

  it('refuses a path without width or of a negative length', () => {
    expect(() => steeringIndex(-1, 10)).toThrow(RangeError);
    expect(() => steeringIndex(10, 0)).toThrow('widthMm is 0, but must be a number above 0');
    expect(() => steeringIndex(10, 10, -1)).toThrow('endWidthMm');
  });
});

const level = (measures?: Measures) => ({ en: 'x', es: 'x', ...(measures ? { measures } : {}) });

describe('measures of a grade', () => {
  it('come from each knob’s level; an item takes its room from the opening', () => {
    const knobs: TaskKnob[] = [
      { knob: 'itemSize', levels: [level({ itemMm: 5 }), level({ itemMm: 9 })] },
      { knob: 'precision', levels: [level({ openingMm: 36, distanceMm: 31 }), level({ openingMm: 10, distanceMm: 31 })] },
    ];
    expect(measuresAt(knobs, { itemSize: 1 })).toEqual({ itemMm: 9, openingMm: 36, distanceMm: 31 });
    expect(physicalDifficulty(measuresAt(knobs, { itemSize: 1, precision: 1 })).aimBits).toBe(5);
    expect(physicalDifficulty(measuresAt(knobs, { itemSize: 0, precision: 0 })).aimBits).toBe(1);
  });

  it('say nothing where the item does not fit, or where they are not enough', () => {
    expect(physicalDifficulty({ itemMm: 20, openingMm: 10, distanceMm: 100 })).toEqual({ aimBits: null, pathIndex: null, bits: 0 });
    expect(physicalDifficulty({ openingMm: 10 }).aimBits).toBeNull();
    expect(physicalDifficulty({ pathLengthMm: 250, pathWidthMm: 50 })).toMatchObject({ pathIndex: 5, bits: Math.log2(6) });
  });

  it('raise the demand: a narrower path, a smaller opening, a longer way', () => {
    const knobs: TaskKnob[] = [
      {
        knob: 'precision',
        levels: [
          level({ pathLengthMm: 150, pathWidthMm: 12 }),
          level({ pathLengthMm: 150, pathWidthMm: 6 }),
          level({ pathLengthMm: 150, pathWidthMm: 3 }),
        ],
      },
    ];
    const demands = [0, 1, 2].map((at) => demandOf(knobs, { precision: at }));
    expect(demands).toEqual([...demands].sort((a, b) => a - b));
    expect(demands[0]).toBeCloseTo(0.5 * Math.log2(1 + 150 / 12), 10);
  });
});

describe('the reckoner for many grades', () => {
  const knobs: TaskKnob[] = [
    { knob: 'tool', levels: [level(), level(), level()], weight: 1.7 },
    { knob: 'precision', levels: [level({ openingMm: 80, distanceMm: 200 }), level({ openingMm: 20, distanceMm: 200 })] },
    { knob: 'own:shape', name: { en: 'shape', es: 'forma' }, levels: [level(), level({ pathLengthMm: 300, pathWidthMm: 9 })] },
  ];

  it('gives the same numbers as demandOf', () => {
    const at = demandCalculator(knobs);
    fc.assert(
      fc.property(fc.nat(2), fc.nat(1), fc.nat(1), (tool, precision, shape) => {
        const grade: Grade = { tool, precision, 'own:shape': shape };
        expect(at([tool, precision, shape])).toBeCloseTo(demandOf(knobs, grade), 12);
      }),
      { seed: 5, numRuns: 60 },
    );
  });
});

describe('the field’s knobs (common practice, no source)', () => {
  it('are all of the table, each with usual levels that both languages can name', () => {
    expect(KNOB_IDS).toHaveLength(18);
    for (const knob of KNOB_IDS) {
      const { usual } = FIELD_KNOBS[knob];
      expect(usual.length).toBeGreaterThanOrEqual(2);
      for (const messages of [en, es]) expect(Object.keys(messages.levels[knob]).sort()).toEqual([...usual].sort());
    }
    expect(isFieldKnob('tool')).toBe(true);
    expect(isFieldKnob('own:tool')).toBe(false);
  });
});
