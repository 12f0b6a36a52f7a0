export { afterGap, chanceOfGood, simulateSession } from './simulatedChild';
export type { SimulatedChild, SimulatedSession } from './simulatedChild';
