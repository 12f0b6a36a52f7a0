export { writeFhir } from './writeBundle';
export type { FhirRecord } from './record';
