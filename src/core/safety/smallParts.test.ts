import fc from 'fast-check';
import type { Shape } from '../tasks';
import { smallnessOf, smallPartVerdict } from '.';

const fits = (shape: Shape) => smallPartVerdict(shape).fits;
const box = (lengthMm: number, widthMm: number, heightMm: number): Shape => ({ kind: 'box', lengthMm, widthMm, heightMm });

describe('the small-part cylinder of 16 CFR 1501.4 (legal text from memory; limits derived, found with an independent search)', () => {
  it.each([
    ['a ball of 31.7 mm', { kind: 'sphere', diameterMm: 31.7 }, true, 'cylinder'],
    ['a ball of 31.8 mm is a small ball', { kind: 'sphere', diameterMm: 31.8 }, true, 'smallBall'],
    ['a ball of 44.4 mm is a small ball (16 CFR 1500.18(a)(17))', { kind: 'sphere', diameterMm: 44.4 }, true, 'smallBall'],
    ['a ball of 44.5 mm', { kind: 'sphere', diameterMm: 44.5 }, false, 'tooWide'],
    ['a thin disc of 31.7 mm', { kind: 'cylinder', diameterMm: 31.7, lengthMm: 0.1 }, true, 'cylinder'],
    ['a thin disc of 33 mm', { kind: 'cylinder', diameterMm: 33, lengthMm: 0.1 }, false, 'tooWide'],
    ['a needle of 65.3 mm', { kind: 'cylinder', diameterMm: 0.01, lengthMm: 65.3 }, true, 'cylinder'],
    ['a needle of 66 mm', { kind: 'cylinder', diameterMm: 0.01, lengthMm: 66 }, false, 'tooLong'],
    ['a cube of 22.4 mm', box(22.4, 22.4, 22.4), true, 'cylinder'],
    ['a cube of 23.2 mm', box(23.2, 23.2, 23.2), false, 'sticksOut'],
  ] as const)('%s: %j', (_name, shape, wanted, kind) => {
    expect(smallPartVerdict(shape as Shape)).toMatchObject({ fits: wanted, kind });
  });

  // Largest third side that a search over all turns found: a lower bound, so these fit.
  it.each([
    [5, 56.88],
    [10, 47.8],
    [15, 40.21],
    [20, 33.55],
  ])('a block of %d × %d mm fits up to %d mm long, and not much beyond', (side, longest) => {
    expect(fits(box(side, side, longest))).toBe(true);
    expect(fits(box(side, side, longest + 2))).toBe(false);
  });

  it('does not care how a block is named', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 70, noNaN: true }),
        fc.double({ min: 2, max: 40, noNaN: true }),
        fc.double({ min: 2, max: 40, noNaN: true }),
        (a, b, c) => {
          expect(fits(box(a, b, c))).toBe(fits(box(c, a, b)));
        },
      ),
      { seed: 41, numRuns: 25 },
    );
  });

  it('never lets a smaller thing off where a bigger one fits', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 66, noNaN: true }),
        fc.double({ min: 1, max: 33, noNaN: true }),
        fc.double({ min: 0.5, max: 0.98, noNaN: true }),
        (lengthMm, diameterMm, share) => {
          if (fits({ kind: 'cylinder', lengthMm, diameterMm }))
            expect(fits({ kind: 'cylinder', lengthMm: lengthMm * share, diameterMm: diameterMm * share })).toBe(true);
        },
      ),
      { seed: 43, numRuns: 40 },
    );
  });

  it('refuses a size that is none', () => {
    expect(() => smallPartVerdict({ kind: 'sphere', diameterMm: 0 })).toThrow('Sizes must be above 0 mm');
    expect(() => smallPartVerdict(box(1, Number.NaN, 1))).toThrow(RangeError);
  });

  it('counts what is said to be small where no shape is given', () => {
    expect(smallnessOf({ hazards: ['smallPart'] })).toBe('smallPart');
    expect(smallnessOf({ hazards: [] })).toBeNull();
  });
});

describe('rods and bars along the limit, that an earlier search let through', () => {
  // Limits by brute force over turns with free offsets, done outside of this project (review of the numbers, A1).
  it.each([
    [11, 46.5],
    [11, 47.5],
    [11.7, 46.4],
    [12, 45.9],
    [12.1, 45.8],
    [13, 44.4],
  ])('a rod of %s × %s mm leans in and fits', (diameterMm, lengthMm) => {
    expect(smallPartVerdict({ kind: 'cylinder', diameterMm, lengthMm }).fits).toBe(true);
  });
  it.each([
    [10, 10, 47.7],
    [11, 11, 45.8],
  ])('a bar of %s × %s × %s mm fits', (heightMm, widthMm, lengthMm) => {
    expect(smallPartVerdict({ kind: 'box', lengthMm, widthMm, heightMm }).fits).toBe(true);
  });
  it('a longer rod fits only where each shorter one does, along the limit', () => {
    for (const diameterMm of [10, 11, 12, 13]) {
      const fits = Array.from(
        { length: 16 },
        (_, index) => smallPartVerdict({ kind: 'cylinder', diameterMm, lengthMm: 43.5 + index / 3 }).fits,
      );
      expect([diameterMm, fits.lastIndexOf(true) < fits.indexOf(false) || !fits.includes(false)]).toEqual([diameterMm, true]);
    }
  });
});
