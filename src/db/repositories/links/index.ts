export { childrenWithOpenedLink, floodedLinks, intakeLinks, linkByHash, linksOf, standingLinkOf } from './read';
export type { AskedTask, FamilyLink, IntakeLink } from './read';
export { addLink, recordFirstOpening, recordFlood, renewLink, revokeLinkOf, revokeLinksOf } from './write';
export type { NewLink } from './write';
