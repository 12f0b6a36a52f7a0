export { captionAt, captionIssues, captionsFrom } from './captions';
export type { Caption, CaptionIssue } from './captions';
export { captionsSchema, CLIP_FORMS, CLIP_KINDS, CLIP_PARTS, clipFactsSchema, clipFileOf, CONSENTS, stillsOf } from './clip';
export type { ClipFacts, ClipFile, ClipForm, ClipKind, ClipPart } from './clip';
export { CLIP_LIMITS, KEPT_DAYS } from './limits';
export { FILMED_HANDS, isMirroredFor } from './mirror';
export type { FilmedHand } from './mirror';
