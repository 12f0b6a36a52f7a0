import type { Suggestion } from '../stepRules';

export const DECISION_KINDS = [
  'safetyWord',
  'maybeHurt',
  'unsafe',
  'unsuitable',
  'flooded',
  'pressed',
  'question',
  'text',
  'comment',
  'sentBack',
  'tooHard',
  'ready',
  'stuck',
  'ladderEnd',
  'handSettled',
  'quiet',
  'ended',
  'ending',
  'neverOpened',
] as const;

export type DecisionKind = (typeof DECISION_KINDS)[number];

export interface Decision {
  /** The same while its evidence is the same, so that what was settled stays settled. */
  readonly key: string;
  readonly kind: DecisionKind;
  readonly childId: number;
  readonly taskId: number | null;
  /** Reports that the decision speaks of. */
  readonly reportIds: readonly number[];
  /** Texts that it speaks of. */
  readonly textIds: readonly number[];
  /** Clips and pictures that it speaks of. */
  readonly clipIds: readonly number[];
  readonly suggestion: Suggestion | null;
  /** Days without word, days until the end or since it, days since the start: by kind. Never negative. */
  readonly days: number | null;
}
