export { writeFhir } from './writeBundle';
export type { FhirRecord } from './record';
export { readFhir } from './readBundle';
export type { FhirFault, FhirRead, NotUnderstood } from './readBundle';
