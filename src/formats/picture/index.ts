export { readPicture } from './readPicture';
export type { PictureIssue, PictureWish } from './readPicture';
