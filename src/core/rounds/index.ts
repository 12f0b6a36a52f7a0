export { DECISION_KINDS, decisionsFor } from './decisionsFor';
export type { ChildSituation, Decision, DecisionKind, RoundsSettings } from './decisionsFor';
export { PLAIN_KINDS, plainCases } from './plainCases';
export type { PlainKind } from './plainCases';
export { KIND_WEIGHTS, urgencyOf } from './urgency';
export type { Urgency } from './urgency';
export { heldByAge, proposedShape } from './shapeLadder';
export { atOneTread } from './atOneTread';
export type { AtOneTread } from './atOneTread';
export {
  answersOf,
  changesStep,
  deedNeedsLead,
  DECISION_ANSWERS,
  isFollowed,
  needsLead,
  isOfStop,
  mostLaterDays,
  needsReason,
  SILENCE_DEEDS,
  silenceDeedsOf,
  STUCK_DAYS,
} from './answers';
export type { DecisionAnswer, SettledDecision, SilenceDeed } from './answers';
