export { DEFAULT_STREAK, streakRule } from './streakRule';
export type { Move, StreakSettings, Suggestion, TaskStanding } from './streakRule';
