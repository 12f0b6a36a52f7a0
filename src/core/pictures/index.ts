export { PICTURES, pictureOf } from './pictures';
export type { PictureId } from './pictures';
export { FRAME } from './parts';
export type { Part, Spot } from './parts';
