export { mayTravel } from './things';
export type { ThingKind } from './things';
export { kitOf } from './kitOf';
export type { KitLine } from './kitOf';
export { purchaseOf, sheetsFor } from './shopping';
export { preparedFor, setUpByDay } from './preparation';
export type { Prepared } from './preparation';
