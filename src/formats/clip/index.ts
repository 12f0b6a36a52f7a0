export { readClip } from './readClip';
export type { ClipIssue, ClipWish, ReadClip } from './readClip';
