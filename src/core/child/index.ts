export { ageOf, factsOf, nameOf } from './child';
export type { Child } from './child';
