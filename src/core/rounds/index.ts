export { DECISION_KINDS, DEFAULT_ROUNDS, decisionsFor } from './decisionsFor';
export type { ChildSituation, Decision, DecisionKind, RoundsSettings } from './decisionsFor';
