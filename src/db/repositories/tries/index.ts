export { countTryOf, forgetTries, uncountTry } from './write';
export type { Tries } from './write';
