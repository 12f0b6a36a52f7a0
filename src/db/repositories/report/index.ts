export {
  lastWords,
  practiceSince,
  reportById,
  reportLog,
  sessionsAtPresentSteps,
  sessionsOfTasks,
  timedSessions,
  unreadReports,
} from './read';
export type { LogEntry, SessionRow, TimedSession, UnreadReport } from './read';
export { addReports, correctReport, markRead, unmarkRead } from './write';
export type { NewReport, StoredReport } from './write';
