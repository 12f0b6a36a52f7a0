export { childrenLeftBefore, dropPassed } from './write';
export type { Passing } from './write';
