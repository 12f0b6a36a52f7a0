export {
  correctionsOf,
  knownReportKeys,
  lastWords,
  practiceSince,
  reportById,
  reportLog,
  sessionsAt,
  sessionsAtPresentSteps,
  sessionsOfTasks,
  sessionsSince,
  timedSessions,
  unreadReports,
  wordsOfReports,
} from './read';
export type { LogEntry, ReportBefore, SessionRow, TimedSession, UnreadReport } from './read';
export { addReports, correctReport, wordsOfHarm, markRead, claimUnannouncedReports, claimUnannouncedReportsOf, unmarkRead } from './write';
export type { NewReport, StoredReport, UntoldReport } from './write';
export { lockForTyping, logOf } from './log';
export type { LogOptions } from './log';
