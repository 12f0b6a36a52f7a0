import { requireAbove, requireWhole } from '../whole';
import { fittsBits, steeringIndex } from './difficulty';
import type { Grade, TaskKnob } from './knob';
import type { Measures } from './measures';

/** Weight of one bit: half the way from a knob's easiest to its hardest level. */
const BIT_WEIGHT = 0.5;

/** The measures in force at a grade: each knob's level brings its own, a later knob's word wins. */
export function measuresAt(knobs: readonly TaskKnob[], grade: Grade): Measures {
  return Object.assign({}, ...knobs.map(({ knob, levels }) => levels[grade[knob] ?? 0]?.measures ?? {})) as Measures;
}

/** True where the item that a grade moves is too big for the opening it is to go into. */
export function isTooBigToFit({ itemMm, openingMm }: Measures): boolean {
  return itemMm !== undefined && openingMm !== undefined && itemMm >= openingMm;
}

/** Bits of difficulty that the measures of a grade amount to, where they say enough. */
export interface PhysicalDifficulty {
  /** Fitts: log2(D/W + 1) */
  readonly aimBits: number | null;
  /** Steering law: ∫ ds/W, as published */
  readonly pathIndex: number | null;
  /** Aim as it is, path as log2(1 + index): a path's index grows without bound, and the two must share one scale. */
  readonly bits: number;
}

/**
 * Fitts's and the steering law over the measures of a grade. An item that does not fit its opening gives no aim bits:
 * that is a fault for the checks of a ladder to say.
 */
export function physicalDifficulty({
  distanceMm,
  openingMm,
  itemMm = 0,
  pathLengthMm,
  pathWidthMm,
  pathEndWidthMm,
}: Measures): PhysicalDifficulty {
  const room = openingMm === undefined ? 0 : openingMm - itemMm;
  const aimBits = distanceMm !== undefined && room > 0 ? fittsBits(distanceMm, room) : null;
  const pathIndex =
    pathLengthMm !== undefined && pathWidthMm !== undefined ? steeringIndex(pathLengthMm, pathWidthMm, pathEndWidthMm) : null;
  return { aimBits, pathIndex, bits: (aimBits ?? 0) + (pathIndex === null ? 0 : Math.log2(1 + pathIndex)) };
}

/**
 * `demandOf` for many grades of the same knobs: the same numbers, with what does not change reckoned once. Grades come as
 * levels in the order of the knobs.
 */
export function demandCalculator(knobs: readonly TaskKnob[]): (levels: readonly number[]) => number {
  const shares = knobs.map(({ levels, weight = 1 }) => levels.map((_, level) => (weight * level) / (levels.length - 1)));
  const measured = knobs.flatMap(({ levels }, index) => (levels.some((level) => level.measures) ? [index] : []));
  const bitsAt = new Map<string, number>();
  const bitsOf = (levels: readonly number[]) => {
    const key = measured.map((index) => levels[index]).join();
    const known = bitsAt.get(key);
    if (known !== undefined) return known;
    const { bits } = physicalDifficulty(
      Object.assign({}, ...measured.map((index) => knobs[index]!.levels[levels[index]!]?.measures ?? {})) as Measures,
    );
    bitsAt.set(key, bits);
    return bits;
  };
  return (levels) => {
    let sum = measured.length ? BIT_WEIGHT * bitsOf(levels) : 0;
    for (let index = 0; index < levels.length; index += 1) sum += shares[index]![levels[index]!]!;
    return sum;
  };
}

/**
 * A number to space steps by: the weighted sum of the knobs' levels, each scaled from 0 (easiest) to 1 (hardest), plus
 * half of the bits of difficulty where the levels carry measures. Never a clinical measure. Our own definition; it
 * respects the partial order (harder grade, larger demand) as long as no harder level has the easier measures.
 * @throws RangeError for a knob with fewer than two levels or a weight that is not above 0, for a level that a knob does not
 * have, and for a grade that names a knob which is not among `knobs`.
 * @example demandOf([{ knob: 'tool', levels: [a, b, c] }], { tool: 1 }) // 0.5
 */
export function demandOf(knobs: readonly TaskKnob[], grade: Grade): number {
  const unknown = Object.keys(grade).find((key) => !knobs.some(({ knob }) => knob === key));
  if (unknown !== undefined) throw new RangeError(`The grade names ${unknown}, which the task does not have`);
  const share = knobs.reduce((sum, { knob, levels, weight = 1 }) => {
    if (levels.length < 2) throw new RangeError(`Grading factor ${knob} needs at least two levels`);
    requireAbove(`The weight of ${knob}`, weight, 0);
    requireWhole(`The level of ${knob}`, grade[knob] ?? 0, 0, levels.length - 1);
    return sum + (weight * (grade[knob] ?? 0)) / (levels.length - 1);
  }, 0);
  return share + BIT_WEIGHT * physicalDifficulty(measuresAt(knobs, grade)).bits;
}
