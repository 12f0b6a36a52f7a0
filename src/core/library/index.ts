export { checkTask, languagesOf } from './checkTask';
export type { TaskFinding } from './taskFinding';
export { BUNDLES } from './bundles';
export type { BundleId } from './bundles';
export { findTasks, lackingFor } from './findTasks';
export type { TaskOptions } from './findTasks';
export { leadsTo } from './leadsTo';
export type { Lead } from './leadsTo';
export { thingsOf } from './thingsOf';
