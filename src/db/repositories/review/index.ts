export { decisionById, decisionsOfChild, standingDecisions } from './read';
export { settleDecision, undoDecisionById } from './write';
export type { NewDecision } from './write';
