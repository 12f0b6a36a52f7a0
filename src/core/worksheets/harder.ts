import { difficultyOf } from './difficultyOf';
import type { SheetSpec } from '../tasks';
import { turnablesOf, turned } from './turnables';

export interface Harder {
  readonly spec: SheetSpec;
  /** Parameter that was turned, from and to. */
  readonly key: string;
  readonly from: number;
  readonly to: number;
}

/** Order of turning: of a road that narrows its end, else its width; then how much it bends; then sizes. */
const ORDER = [
  'endWidthMm',
  'widthMm',
  'path.bendDegrees',
  'path.lengthMm',
  'lengthMm',
  'withinMm',
  'sizeMm',
  'dotMm',
  'xHeightMm',
  'apartMm',
];
const ROUNDS = 60;
/** Nearer than this nobody sees a difference: the halving ends. */
const EXACT = 1e-6;
/** A sheet is solved for when its difficulty is so near, as a share. */
const NEAR = 1e-4;

/**
 * A sheet that is harder by a share, or easier where it is below 0, by turning one thing alone: solved for by halving, on the geometry that is drawn. Null where
 * nothing that the sheet has can be turned so far.
 * @param share above −1: 0.1 is 10 % harder
 * @param key the thing to be turned; the first of the usual order that gets there where it is left out
 */
export function harderBy(spec: SheetSpec, share: number, key?: string): Harder | null {
  const measure = (of: SheetSpec) => {
    const { roadWidths, aimBits } = difficultyOf(of);
    return roadWidths ?? aimBits;
  };
  const now = measure(spec);
  if (now === null || now <= 0) return null;
  const wanted = now * (1 + share);
  const narrows = spec.kind === 'road' && spec.endWidthMm !== undefined && spec.endWidthMm !== spec.widthMm;
  const keys = key ? [key] : ORDER.filter((each) => each !== 'endWidthMm' || narrows);
  const turnables = turnablesOf(spec);
  for (const each of keys) {
    const turnable = turnables.find((one) => one.key === each);
    if (!turnable) continue;
    const at = (value: number) => {
      const next = turned(spec, each, value);
      return next && measure(next);
    };
    for (const bound of [turnable.least, turnable.most]) {
      const there = at(bound);
      if (there === null || (there - wanted) * (now - wanted) > 0) continue;
      let [near, far] = [turnable.value, bound];
      for (let round = 0; round < ROUNDS; round += 1) {
        const middle = (near + far) / 2;
        const value = at(middle);
        if (value === null) break;
        if ((value - wanted) * (now - wanted) > 0) near = middle;
        else far = middle;
        if (Math.abs(value / wanted - 1) < EXACT) {
          far = middle;
          break;
        }
      }
      const found = turned(spec, each, far);
      if (found && Math.abs(measure(found)! / wanted - 1) < NEAR) return { spec: found, key: each, from: turnable.value, to: far };
    }
  }
  return null;
}
