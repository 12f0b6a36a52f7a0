export { chanceOfGood, simulateSession } from './simulatedChild';
export type { Chance, SimulatedChild, SimulatedSession } from './simulatedChild';
