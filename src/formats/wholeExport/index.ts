export { MANIFEST_FILE, readManifest, WHOLE_FORMAT, writeManifest } from './manifest';
export type { WholeManifest } from './manifest';
