export { afterGap, chanceOfGood, HELP_EASES, simulateSession } from './simulatedChild';
export type { SimulatedChild, SimulatedSession } from './simulatedChild';
