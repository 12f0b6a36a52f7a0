export { EFFORTS, HELP_LEVELS, REPORT_WAYS, STOP_REASONS } from './session';
export type { DatedSession, Effort, HelpLevel, ReportWay, Session, StopReason } from './session';
export { DEFAULT_OUTCOME_SETTINGS, outcomeOf } from './outcomeOf';
export type { Outcome, OutcomeSettings } from './outcomeOf';
export { amountOf, MOST_REPETITIONS, MOST_WORDS, readReport } from './readReport';
export type { RawReport, ReportContent, ReportIssue, ReportLimits } from './readReport';
