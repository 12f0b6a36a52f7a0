export { readPicture } from './readPicture';
export type { PictureIssue, PictureOptions } from './readPicture';
