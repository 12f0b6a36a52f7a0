export { DEFAULT_STREAK, EVIDENCE_DAYS, streakRule } from './streakRule';
export type { Move, StreakSettings, Suggestion, TaskStanding } from './streakRule';
