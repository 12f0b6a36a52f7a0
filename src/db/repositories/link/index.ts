export { childrenWithOpenedLink, intakeLinks, linkByHash, linksOf } from './read';
export type { AskedTask, FamilyLink, IntakeLink } from './read';
export { addLink, noteFirstOpening, revokeLinkOf } from './write';
export type { NewLink } from './write';
