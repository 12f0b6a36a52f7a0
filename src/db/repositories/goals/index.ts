export { goalHistoryOf, goalsOf, nextReviews, openGoalsOf } from './read';
export type { Goal, GoalOfChild, GoalVersion } from './read';
export { addGoal, closeGoal, addGoalVersion } from './write';
