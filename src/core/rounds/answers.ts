import type { Suggestion } from '../advancing';
import type { CalendarDay, Instant } from '../calendar';
import type { Decision, DecisionKind } from './decisionsFor';

export const DECISION_ANSWERS = ['up', 'down', 'hold', 'read', 'wrote', 'later'] as const;
export type DecisionAnswer = (typeof DECISION_ANSWERS)[number];

const ANSWERS = {
  safetyWord: ['read', 'down', 'wrote', 'later'],
  question: ['read', 'up', 'down', 'wrote', 'later'],
  tooHard: ['down', 'hold', 'up', 'wrote', 'later'],
  ready: ['up', 'hold', 'down', 'wrote', 'later'],
  ladderEnd: ['hold', 'down', 'wrote', 'later'],
  quiet: ['hold', 'wrote', 'later'],
  ended: ['hold', 'wrote', 'later'],
  ending: ['hold', 'wrote', 'later'],
  neverOpened: ['hold', 'wrote', 'later'],
} as const satisfies Record<DecisionKind, readonly DecisionAnswer[]>;

/** The answers that a kind of decision takes. */
export function answersOf(kind: DecisionKind): readonly DecisionAnswer[] {
  return ANSWERS[kind];
}

/** True for the answers that make the next version of a program. */
export function changesStep(answer: DecisionAnswer): answer is 'up' | 'down' {
  return answer === 'up' || answer === 'down';
}

/**
 * True where an answer does what the decision suggests. What has no suggestion is followed by any answer that changes no
 * step; any other answer is a change or a decline, and needs a reason.
 */
export function isFollowed({ suggestion, kind }: Pick<Decision, 'suggestion' | 'kind'>, answer: DecisionAnswer): boolean {
  if (!suggestion || suggestion.move === 'ladderEnd') return !changesStep(answer);
  return kind === 'ready' ? answer === 'up' : answer === 'down';
}

/** A reason is asked for where the suggestion is not followed; putting off asks for none, and words to the family are one. */
export function needsReason(decision: Pick<Decision, 'suggestion' | 'kind'>, answer: DecisionAnswer): boolean {
  return answer !== 'later' && answer !== 'wrote' && !isFollowed(decision, answer);
}

/** A decision as a person settled it or put it off. */
export interface SettledDecision {
  readonly id: number;
  readonly key: string;
  readonly childId: number;
  readonly taskId: number | null;
  readonly kind: DecisionKind;
  readonly answer: DecisionAnswer;
  readonly followed: boolean;
  readonly reason: string;
  readonly suggestion: Suggestion | null;
  readonly decidedBy: number;
  readonly decidedByName: string;
  readonly decidedAt: Instant;
  readonly laterUntil: CalendarDay | null;
  readonly undoneAt: Instant | null;
}
