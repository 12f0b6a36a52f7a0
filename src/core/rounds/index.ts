export { DECISION_KINDS, decisionsFor } from './decisionsFor';
export type { ChildSituation, Decision, DecisionKind, RoundsSettings } from './decisionsFor';
export { answersOf, changesStep, DECISION_ANSWERS, isFollowed, needsReason } from './answers';
export type { DecisionAnswer, SettledDecision } from './answers';
