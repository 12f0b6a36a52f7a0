export { DEFAULT_STREAK, EVIDENCE_DAYS, streakRule } from './streakRule';
export { remember, triesAt } from './remember';
export type { Try } from './remember';
export type { Move, StreakSettings, Suggestion, TaskStanding } from './streakRule';
