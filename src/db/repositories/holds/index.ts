export { dangersSince, liftsOf, countOpenStops, openStops } from './read';
export type { Lift, PastDanger, Reader, Stop } from './read';
export { addLift, closeAgain, noteReader } from './write';
export type { NewLift } from './write';
