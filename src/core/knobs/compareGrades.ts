import { requireWhole } from '../whole';
import type { Grade, KnobKey } from './knob';

export interface MovedKnob {
  readonly knob: KnobKey;
  readonly from: number;
  readonly to: number;
}

export interface GradeComparison {
  /** `harder`: every knob that differs moved to its harder side; `mixed`: some went each way. */
  readonly relation: 'equal' | 'harder' | 'easier' | 'mixed';
  readonly moved: readonly MovedKnob[];
}

/**
 * How grade `to` stands to grade `from` in the partial order on which practitioners agree. A knob that a grade does not
 * name stands at its easiest level.
 * @throws RangeError for a level that is no whole number from 0.
 * @example compareGrades({ tool: 0, itemSize: 1 }, { tool: 1, itemSize: 0 }).relation // 'mixed'
 */
export function compareGrades(from: Grade, to: Grade): GradeComparison {
  const named = [...new Set([...Object.keys(from), ...Object.keys(to)])] as KnobKey[];
  for (const grade of [from, to]) for (const [knob, level] of Object.entries(grade)) requireWhole(knob, level ?? 0, 0);
  const moved = named.map((knob) => ({ knob, from: from[knob] ?? 0, to: to[knob] ?? 0 })).filter((move) => move.from !== move.to);
  const up = moved.some((move) => move.to > move.from);
  const down = moved.some((move) => move.to < move.from);
  const relation = up && down ? 'mixed' : up ? 'harder' : down ? 'easier' : 'equal';
  return { relation, moved };
}
