export { countTryOf, forgetTries } from './write';
export type { Tries } from './write';
