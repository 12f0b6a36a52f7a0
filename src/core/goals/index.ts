export { goalSchema, servesGoal, valuesOf } from './goal';
export type { GoalContent, GoalMeasure } from './goal';
export { aimAt } from './aimLine';
export { GOAL_PATTERNS } from './patterns';
export type { GoalPattern } from './patterns';
