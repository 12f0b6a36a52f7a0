export { readClip } from './readClip';
export type { ClipIssue, ClipOptions, ReadClip } from './readClip';
