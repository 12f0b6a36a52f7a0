export { EFFORTS, HELP_LEVELS, REPORT_WAYS, STOP_REASONS } from './session';
export type { DatedSession, Effort, HelpLevel, ReportWay, Session, StopReason } from './session';
export { outcomeOf } from './outcomeOf';
export type { Outcome, OutcomeSettings } from './outcomeOf';
export { amountOf, checkSession, MOST_WORDS } from './sessionFacts';
export type { SessionFacts, SessionIssue, SessionLimits } from './sessionFacts';
export { readForm } from './readForm';
export type { RawReport } from './readForm';
