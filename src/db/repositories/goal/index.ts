export { goalHistoryOf, goalsOf, nextReviews } from './read';
export type { Goal, GoalVersion } from './read';
export { addGoal, closeGoal, addGoalVersion } from './write';
