export { EFFORTS, HELP_LEVELS, REPORT_WAYS, STOP_REASONS } from './session';
export type { DatedSession, Effort, HelpLevel, ReportWay, Session, StopReason } from './session';
export { DEFAULT_OUTCOME_SETTINGS, isRefusal, outcomeOf } from './outcomeOf';
export type { Outcome, OutcomeSettings } from './outcomeOf';
export { amountOf, checkSession, MOST_WORDS } from './sessionFacts';
export type { Press, SessionFacts, SessionIssue, SessionLimits } from './sessionFacts';
export { readForm } from './readForm';
export type { RawReport } from './readForm';
