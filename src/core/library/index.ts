export { checkTask, familyTexts, languagesOf, MOST_MINUTES } from './checkTask';
export type { TaskFinding } from './taskFinding';
export { BUNDLES } from './bundles';
export type { BundleId } from './bundles';
export { findTasks, lackingFor, skillCounts, stepsWith } from './findTasks';
export type { TaskOptions } from './findTasks';
export { LEADING, leadsTo } from './leadsTo';
export type { Lead } from './leadsTo';
export { thingsOf } from './thingsOf';
