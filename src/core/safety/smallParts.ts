import type { Shape } from '../tasks';

/**
 * The small-part test cylinder of 16 CFR 1501.4 (from memory): 31.7 mm across, its slanted bottom 25.4 to 57.1 mm deep.
 * Derived: the bottom falls at 45°, depth(x) = 41.25 + x.
 */
const RADIUS_MM = 15.85;
const MIDDLE_DEPTH_MM = 41.25;
/** The longest thing that fits, however thin (derived, see docs/sources.md). */
const LONGEST_MM = 65.3094;
/** Things that stick out by less than this are said to fit: missing a fit is the unsafe error. */
const MARGIN_MM = 0.25;
/** A ball up to this width is a small ball (16 CFR 1500.18(a)(17), 1500.19; from memory). 1.75 in is 44.45 mm: the larger is used. */
const SMALL_BALL_MM = 44.45;

type Vector = readonly [number, number, number];

/** Half the width of a body in the direction of a unit vector, both ends alike: all three shapes are symmetric. */
type HalfWidth = (u: Vector) => number;

export type SmallPartVerdict =
  | { readonly fits: true; readonly kind: 'cylinder' | 'smallBall' }
  | { readonly fits: false; readonly kind: 'tooWide' | 'tooLong' | 'sticksOut'; readonly overMm: number };

/**
 * Does a thing, in some orientation, fit whole into the small-part cylinder, or is it a small ball? Spheres and the quick
 * limits are exact; for cylinders and boxes every turn is searched and anything within 0.25 mm of fitting is said to fit.
 * Sources: 16 CFR 1501.4; 16 CFR 1500.18(a)(17), 1500.19 (from memory).
 * @throws RangeError for a size that is not above 0.
 * @example smallPartVerdict({ kind: 'sphere', diameterMm: 30 }) // { fits: true, kind: 'cylinder' }
 */
export function smallPartVerdict(shape: Shape): SmallPartVerdict {
  const sizes = sizesOf(shape);
  if (!sizes.every((size) => size > 0 && Number.isFinite(size))) throw new RangeError(`Sizes must be above 0 mm: ${sizes.join(' × ')}`);
  if (shape.kind === 'sphere') return ofBall(shape.diameterMm);
  const [, middle, longest] = [...sizes].sort((a, b) => a - b) as [number, number, number];
  // Some direction in the plane of the two longer sides lies level, and there the thing is at least as wide as the middle one.
  if (middle > 2 * RADIUS_MM + 2 * MARGIN_MM) return { fits: false, kind: 'tooWide', overMm: middle - 2 * RADIUS_MM };
  if (longest > LONGEST_MM + MARGIN_MM) return { fits: false, kind: 'tooLong', overMm: longest - LONGEST_MM };
  const over = rememberedOver(shape);
  return over <= MARGIN_MM ? { fits: true, kind: 'cylinder' } : { fits: false, kind: 'sticksOut', overMm: over };
}

function ofBall(diameterMm: number): SmallPartVerdict {
  if (diameterMm <= 2 * RADIUS_MM + 0.05) return { fits: true, kind: 'cylinder' };
  if (diameterMm <= SMALL_BALL_MM) return { fits: true, kind: 'smallBall' };
  return { fits: false, kind: 'tooWide', overMm: diameterMm - SMALL_BALL_MM };
}

function sizesOf(shape: Shape): number[] {
  switch (shape.kind) {
    case 'sphere':
      return [shape.diameterMm, shape.diameterMm, shape.diameterMm];
    case 'cylinder':
      return [shape.diameterMm, shape.diameterMm, shape.lengthMm];
    case 'box':
      return [shape.lengthMm, shape.widthMm, shape.heightMm];
    default:
      throw new RangeError(`There is no shape of the kind ${JSON.stringify(shape satisfies never)}`);
  }
}

const STARTS_A_TILT = 1;
const FINE_STARTS = 3;

const LEVEL_DIRECTIONS: readonly (readonly [number, number])[] = Array.from({ length: 48 }, (_, index) => [
  Math.cos((index * Math.PI) / 24),
  Math.sin((index * Math.PI) / 24),
]);

/**
 * Returns how far a body in a given turn sticks out of the cylinder at its best place, in mm; 0 or less fits. The body is pushed up
 * to the rim and then sideways, away from the shallow side, just as far as the slanted bottom requires.
 */
function overOf(half: HalfWidth): number {
  const tall = half([0, 0, 1]);
  const slanted = Math.SQRT2 * half([-Math.SQRT1_2, 0, Math.SQRT1_2]);
  const aside = Math.max(0, tall + slanted - MIDDLE_DEPTH_MM);
  return Math.max(...LEVEL_DIRECTIONS.map(([x, y]) => aside * x + half([x, y, 0]))) - RADIUS_MM;
}

type Turn = readonly [number, number, number];

/** The search takes some milliseconds and the same things come again and again: the same shape has the same answer. */
const REMEMBERED = new Map<string, number>();
const MOST_REMEMBERED = 5000;

function rememberedOver(shape: Shape): number {
  const key = JSON.stringify([shape.kind, ...sizesOf(shape)]);
  const known = REMEMBERED.get(key);
  if (known !== undefined) return known;
  if (REMEMBERED.size >= MOST_REMEMBERED) REMEMBERED.clear();
  const over = leastOver(shape);
  REMEMBERED.set(key, over);
  return over;
}

/**
 * The least `overOf` over all turns, or the first that fits: a grid of turns, then ever finer steps from the best of each
 * tilt. Upright, every turn about the upright axis is one pose, so that one valley can't take all the starts; a thin body
 * fits best when it leans by some 25 degrees. How near the search comes is held by the tests: along rods and bars of 10 to
 * 13 mm it says "fits" up to 0.1 mm under the limit that a brute force over turns found.
 */
function leastOver(shape: Shape): number {
  const over = (turn: Turn) => overOf(halfWidthOf(shape, turn));
  const starts: { turn: Turn; over: number }[] = [];
  const steps = shape.kind === 'box' ? 7 : 1;
  for (let tilt = 0; tilt <= 9; tilt += 1) {
    const row: { turn: Turn; over: number }[] = [];
    for (let round = 0; round < (tilt === 0 && shape.kind !== 'box' ? 1 : 12); round += 1) {
      for (let spin = 0; spin < steps; spin += 1) {
        const turn: Turn = [(tilt * Math.PI) / 18, (round * Math.PI) / 6, (spin * Math.PI) / 7];
        const here = over(turn);
        if (here <= 0) return here;
        row.push({ turn, over: here });
      }
    }
    starts.push(...row.sort((a, b) => a.over - b.over).slice(0, STARTS_A_TILT));
  }
  // Roughly from each valley, then finely from the best few.
  const rough = starts.map(({ turn }) => refine(turn, over, 0.15, 0.04)).sort((a, b) => a.over - b.over);
  return Math.min(...rough.slice(0, FINE_STARTS).map(({ turn }) => refine(turn, over, 0.04, 0.0005).over));
}

function refine(start: Turn, over: (turn: Turn) => number, from: number, until: number): { turn: Turn; over: number } {
  let turn = start;
  let least = over(turn);
  for (let step = from; step > until; step *= 0.6) {
    let better = true;
    while (better) {
      better = false;
      for (const axis of [0, 1, 2]) {
        for (const sign of [-1, 1]) {
          const next = turn.map((angle, index) => (index === axis ? angle + sign * step : angle)) as unknown as Turn;
          const value = over(next);
          if (value < least - 1e-9) {
            turn = next;
            least = value;
            better = true;
          }
        }
      }
    }
  }
  return { turn, over: least };
}

function halfWidthOf(shape: Shape, [tilt, round, spin]: Turn): HalfWidth {
  const axis: Vector = [Math.sin(tilt) * Math.cos(round), Math.sin(tilt) * Math.sin(round), Math.cos(tilt)];
  if (shape.kind === 'cylinder') {
    return (u) => {
      const along = dot(u, axis);
      return (shape.lengthMm / 2) * Math.abs(along) + (shape.diameterMm / 2) * Math.sqrt(Math.max(0, 1 - along * along));
    };
  }
  const [a, b, c] = sizesOf(shape).sort((p, q) => p - q) as [number, number, number];
  const across: Vector = [Math.cos(tilt) * Math.cos(round), Math.cos(tilt) * Math.sin(round), -Math.sin(tilt)];
  const side: Vector = [-Math.sin(round), Math.cos(round), 0];
  const first = mix(across, side, spin);
  const second = mix(side, across, -spin);
  return (u) => (c * Math.abs(dot(u, axis)) + a * Math.abs(dot(u, first)) + b * Math.abs(dot(u, second))) / 2;
}

const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const mix = (a: Vector, b: Vector, angle: number): Vector =>
  [0, 1, 2].map((index) => a[index]! * Math.cos(angle) + b[index]! * Math.sin(angle)) as unknown as Vector;
