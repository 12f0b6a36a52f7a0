export { DECISION_KINDS } from './decision';
export type { Decision, DecisionKind } from './decision';
export { decisionsFor } from './decisionsFor';
export type { ChildSituation } from './decisionsFor';
export { PLAIN_KINDS, plainCases } from './plainCases';
export type { PlainKind } from './plainCases';
export { urgencyOf } from './urgency';
export type { Urgency } from './urgency';
export { heldByAge, proposedShape } from './shapeLadder';
export { atOneStep } from './atOneStep';
export type { AtOneStep } from './atOneStep';
export {
  answersOf,
  changesStep,
  actionNeedsLead,
  DECISION_ANSWERS,
  isFollowed,
  needsLead,
  isOfStop,
  mostLaterDays,
  needsReason,
  SILENCE_ACTIONS,
  silenceActionsOf,
  STUCK_DAYS,
} from './answers';
export type { DecisionAnswer, SettledDecision, SilenceAction } from './answers';
