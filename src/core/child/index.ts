export { ageOf, factsOf, nameOf } from './child';
export type { Child } from './child';
export { ACCESSES, ROLES } from './access';
export type { Access, Role } from './access';
