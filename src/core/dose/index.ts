export { handTurns } from './dose';
export type { Dose, DoseHands, DoseTarget, SetUpMovement } from './dose';
export { reckonDose } from './reckonDose';
export type { ReckonedDose } from './reckonDose';
export { minutesOf } from './minutesOf';
