export { measurementSchema } from './measurement';
export type { Measurement } from './measurement';
