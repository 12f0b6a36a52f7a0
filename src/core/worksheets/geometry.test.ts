import fc from 'fast-check';
import { flattened, type Curve, type Point } from '.';
import { circle, lengthOf, lengthOfPath, pointAt, velocityAt } from './curve';
import { edgesOf } from './edges';
import { evenWidth, roadWidths, tightestTurn } from './steer';
import { parsePath } from './parsePath';
import { integrate } from './integrate';
import { throughCorners } from './curve';

const pathOf = (d: string) => {
  const read = parsePath(d);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.value;
};
const road = (path: readonly Curve[], widthMm: number, endWidthMm = widthMm) => ({ path, widthMm, endWidthMm, isClosed: false });
const straight = (long: number) =>
  throughCorners([
    [0, 0],
    [long, 0],
  ]);

describe('lengths, against closed forms', () => {
  it.each([
    // A parabola: closed form by elementary integration.
    ['quadratic', pathOf('M0 0Q50 100 100 0'), 147.8942857545],
    // A cubic that comes to rest where it turns back: two ways of 100.
    ['cubic', pathOf('M0 0C0 100 100 100 100 0'), 200],
    ['ellipse', [{ kind: 'arc', middle: [0, 0], radii: [100, 50], start: 0, sweep: 2 * Math.PI }] as Curve[], 484.422411],
    ['circle', [circle([3, 4], 25)], 2 * Math.PI * 25],
    [
      'line',
      throughCorners([
        [0, 0],
        [3, 4],
      ]),
      5,
    ],
    // There and back on one line: the speed is 0 in the middle, and its root has a corner there.
    ['cusp', pathOf('M0 0C100 0 -0 0 100 0'), undefined],
  ] as const)('%s', (_, path, expected) => {
    const long = lengthOfPath(path);
    if (expected !== undefined) expect(Math.abs(long / expected - 1)).toBeLessThan(1e-6);
    // Another way of reckoning: chords between very many places, which come up to it from below.
    const chords = (path as readonly Curve[]).reduce((sum, curve) => {
      let [before, total] = [pointAt(curve, 0), 0];
      for (let part = 1; part <= 20_000; part += 1) {
        const at = pointAt(curve, part / 20_000);
        total += Math.hypot(at[0] - before[0], at[1] - before[1]);
        before = at;
      }
      return sum + total;
    }, 0);
    expect(Math.abs(chords / long - 1)).toBeLessThan(1e-6);
  });

  it('a full cusp is no longer than its two halves', () => {
    const [cusp] = pathOf('M0 0C80 90 20 90 100 0');
    expect(lengthOf(cusp!)).toBeCloseTo(integrate((share) => Math.hypot(...velocityAt(cusp!, share)), 0, 0.5, 1e-10) * 2, 6);
  });
});

describe('the steering law (Accot & Zhai 1997) on what is drawn', () => {
  it.each([
    ['straight 250 by 50', road(straight(250), 50), 5],
    ['circle of 50, 10 wide', road([circle([0, 0], 50)], 10), 31.415927],
    ['cone 250, 50 to 8', road(straight(250), 50, 8), 10.908223],
  ] as const)('%s', (_, given, expected) => expect(roadWidths(given)).toBeCloseTo(expected, 5));

  it('agrees with the sum over thin slices of any path, narrowing or not', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -90, max: 90 }), fc.integer({ min: -90, max: 90 })), { minLength: 4, maxLength: 4 }),
        fc.double({ min: 2, max: 40, noNaN: true }),
        fc.double({ min: 2, max: 40, noNaN: true }),
        (places, from, to) => {
          const [a, b, c, d] = places as unknown as [Point, Point, Point, Point];
          const path: Curve[] = [{ kind: 'cubic', from: a, by: [b, c], to: d }];
          const whole = lengthOfPath(path);
          if (whole < 1) return;
          const slices = 20_000;
          let [sum, gone, before] = [0, 0, a];
          for (let part = 1; part <= slices; part += 1) {
            const at = pointAt(path[0]!, part / slices);
            const ds = Math.hypot(at[0] - before[0], at[1] - before[1]);
            sum += ds / (from + ((to - from) * (gone + ds / 2)) / whole);
            gone += ds;
            before = at;
          }
          expect(Math.abs(roadWidths(road(path, from, to)) / sum - 1)).toBeLessThan(1e-5);
        },
      ),
      { seed: 7, numRuns: 60 },
    );
  });

  it('says the straight road that is as hard, and refuses a road of no width', () => {
    expect(evenWidth(road(straight(250), 50, 8))).toBeCloseTo(250 / 10.908223, 4);
    expect(() => roadWidths(road(straight(10), 0))).toThrow('widthMm');
  });
});

describe('turns and edges', () => {
  it('finds the tightest turn of a curve and a corner', () => {
    expect(tightestTurn(straight(10))).toBe(Infinity);
    expect(tightestTurn([circle([0, 0], 17)])).toBeCloseTo(17, 9);
    expect(
      tightestTurn(
        throughCorners([
          [0, 0],
          [10, 0],
          [10, 10],
        ]),
      ),
    ).toBe(0);
    // A parabola y = x² / 100 is tightest at its top: its radius there is 50.
    expect(tightestTurn(pathOf('M-50 25Q0 -25 50 25'))).toBeCloseTo(50, 2);
    // An ellipse at the ends of its long axis: b² / a.
    expect(tightestTurn([{ kind: 'arc', middle: [0, 0], radii: [100, 50], start: 0, sweep: 6 }])).toBe(25);
  });

  it('edges run half a width beside the middle, narrowing with the way gone', () => {
    const [left, right] = edgesOf(road(straight(100), 10, 4));
    expect(left[0]).toEqual([0, -5]);
    expect(right[0]).toEqual([0, 5]);
    expect(left.at(-1)![1]).toBeCloseTo(-2, 9);
    const [one] = edgesOf({ path: [circle([0, 0], 50)], widthMm: 10, endWidthMm: 10, isClosed: true });
    for (const [x, y] of one) expect(Math.abs(Math.abs(Math.hypot(x, y) - 50) - 5)).toBeLessThan(0.06);
    expect(one[0]).toEqual(one.at(-1));
    // A right angle's outer corner stands where both edges meet.
    const [outer] = edgesOf(
      road(
        throughCorners([
          [0, 0],
          [50, 0],
          [50, 50],
        ]),
        10,
      ),
    );
    expect(outer[1]![0]).toBeCloseTo(55, 9);
    expect(outer[1]![1]).toBeCloseTo(-5, 9);
  });

  it('corners between which a curve is drawn leave it by no more than they may', () => {
    for (const path of [[circle([0, 0], 60)], pathOf('M0 0C0 100 100 100 100 0'), pathOf('M0 0C90 90 10 90 100 0')]) {
      const points = flattened(path, 0.05);
      for (let part = 0; part <= 500; part += 1) {
        const [x, y] = pointAt(path[0]!, part / 500);
        const near = Math.min(...points.slice(1).map((to, index) => distance([x, y], points[index]!, to)));
        expect(near).toBeLessThan(0.06);
      }
    }
  });
});

function distance([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const [dx, dy] = [bx - ax, by - ay];
  const share = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(x - ax - share * dx, y - ay - share * dy);
}

describe('a path that is read', () => {
  it.each(['', 'L0 0', 'M0 0', 'M0 0L5', 'M0 0A1 1 0 0 0 5 5', 'M0 0L1 1M2 2L3 3', 'M0 0L1e999 0', 'M0 0 L1 x', 'M0 0L1 1Z9', 'm0 0l1 1'])(
    'refuses %j',
    (d) => {
      expect(parsePath(d).ok).toBe(false);
    },
  );

  it('takes lines and curves with any blanks, and closes', () => {
    expect(pathOf(' M 0,0 L10 0 L10 10 Z')).toHaveLength(3);
    expect(pathOf('M0 0L1.5-2')).toEqual([{ kind: 'line', from: [0, 0], to: [1.5, -2] }]);
  });

  it('never throws, whatever it is given', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.string({ unit: fc.constantFrom(...'MLQCZ0123456789 .-,e'), maxLength: 60 })), (d) => {
        const read = parsePath(d);
        expect(read.ok ? read.value.length : read.issues.length).toBeGreaterThan(0);
      }),
      { seed: 3, numRuns: 1500 },
    );
  });
});
