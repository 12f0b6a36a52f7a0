export { countTryOf, clearTries, uncountTry } from './write';
export type { Tries } from './write';
