import type { Suggestion } from '../stepRules';
import type { CalendarDay, Instant } from '../calendar';
import type { Decision, DecisionKind } from './decision';

export const DECISION_ANSWERS = [
  'up',
  'down',
  'hold',
  'read',
  'wrote',
  'later',
  // Answers for a task on hold: read, reopened, kept on hold, removed from the program.
  'seen',
  'lifted',
  'keptClosed',
  'takenOut',
] as const;
export type DecisionAnswer = (typeof DECISION_ANSWERS)[number];

const ANSWERS = {
  // Nobody puts an injury off: it stands on the list until the lead reopens the task, keeps it on hold or takes it out.
  safetyWord: ['seen', 'lifted', 'keptClosed', 'takenOut', 'wrote'],
  maybeHurt: ['seen', 'lifted', 'keptClosed', 'takenOut', 'wrote'],
  // A reason cannot override a blocking rule: the task is removed, or another is built.
  unsafe: ['takenOut', 'wrote', 'later'],
  unsuitable: ['takenOut', 'hold', 'wrote', 'later'],
  // A new link, from the child's page, ends it.
  flooded: ['hold', 'wrote', 'later'],
  pressed: ['seen', 'lifted', 'keptClosed', 'takenOut', 'wrote'],
  question: ['read', 'up', 'down', 'wrote', 'later'],
  text: ['read', 'wrote', 'later'],
  comment: ['read', 'wrote', 'later'],
  sentBack: ['read', 'wrote', 'later'],
  tooHard: ['down', 'hold', 'up', 'wrote', 'later'],
  ready: ['up', 'hold', 'down', 'wrote', 'later'],
  stuck: ['hold', 'up', 'down', 'wrote', 'later'],
  handSettled: ['hold', 'wrote', 'later'],
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

/** The kinds that stand for a task on hold. */
export function isOfStop(kind: DecisionKind): kind is 'safetyWord' | 'maybeHurt' | 'pressed' {
  return kind === 'safetyWord' || kind === 'maybeHurt' || kind === 'pressed';
}

/** For how many days a decision may be put off at most: harm waits a day, and so does what may do it. */
export function mostLaterDays(kind: DecisionKind): number {
  return isOfStop(kind) || kind === 'unsafe' ? 1 : 30;
}

/** True for the answers that only who may change the program gives. */
export function needsLead(answer: DecisionAnswer): boolean {
  return changesStep(answer) || answer === 'lifted' || answer === 'keptClosed' || answer === 'takenOut';
}

/** For how many days a way out of a step that was tried in vain stands, before the card comes back. Common practice, no source. */
export const STUCK_DAYS = 14;

/** True for the answers that make the next version of a program. */
export function changesStep(answer: DecisionAnswer): answer is 'up' | 'down' {
  return answer === 'up' || answer === 'down';
}

/**
 * True where an answer does what the decision suggests. What has no suggestion is followed by any answer that changes no
 * step; any other answer is a change or a decline, and needs a reason.
 */
export function isFollowed({ suggestion, kind }: Pick<Decision, 'suggestion' | 'kind'>, answer: DecisionAnswer): boolean {
  if (!suggestion || suggestion.move === 'ladderEnd' || suggestion.move === 'stuck') return !changesStep(answer);
  return kind === 'ready' ? answer === 'up' : answer === 'down';
}

/** A reason is asked for where the suggestion is not followed, or a task stays closed or goes; putting off asks for none, and words to the family are one. */
export function needsReason(decision: Pick<Decision, 'suggestion' | 'kind'>, answer: DecisionAnswer): boolean {
  if (answer === 'keptClosed' || answer === 'takenOut') return true;
  if (decision.kind === 'unsuitable' && answer === 'hold') return true;
  return answer !== 'later' && answer !== 'wrote' && !isFollowed(decision, answer);
}

/** Actions on silence or an ending, beside waiting: stored with the decision, and shown on the next card of its kind. */
export const SILENCE_ACTIONS = ['sentAgain', 'newLink', 'onPaper', 'called', 'askedTeacher', 'paused', 'ended', 'leftIt'] as const;
export type SilenceAction = (typeof SILENCE_ACTIONS)[number];

const ACTIONS: Partial<Record<DecisionKind, readonly SilenceAction[]>> = {
  quiet: ['sentAgain', 'called', 'onPaper', 'askedTeacher', 'paused', 'ended', 'leftIt'],
  // A text to the number that nobody opened is not the first thing.
  neverOpened: ['called', 'newLink', 'onPaper', 'askedTeacher', 'paused', 'ended', 'leftIt'],
  ended: ['called', 'askedTeacher', 'ended', 'leftIt'],
  ending: ['called', 'askedTeacher', 'paused', 'ended', 'leftIt'],
};

/** Lists the actions for a decision of silence; empty for all others. Each lets the card return on a chosen day. */
export function silenceActionsOf(kind: DecisionKind): readonly SilenceAction[] {
  return ACTIONS[kind] ?? [];
}

/** True for what goes to the family by its link, or changes the program: only who may change it does so. */
export function actionNeedsLead(silenceAction: SilenceAction): boolean {
  return silenceAction === 'sentAgain' || silenceAction === 'newLink' || silenceAction === 'paused' || silenceAction === 'ended';
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
  /** Action taken on silence; null for all other kinds. */
  readonly silenceAction: SilenceAction | null;
  readonly undoneAt: Instant | null;
}
