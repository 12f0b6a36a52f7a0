export { layFlight } from './layFlight';
export type { Flight, FlightInput, FlightSize, Tread } from './layFlight';
