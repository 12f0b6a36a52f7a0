export { childById, childChangesOf, childFor, childrenOf, factChangesSince, handOversOf, sameChildOf, sharingOf } from './read';
export type { ChildChange, HandOver, OwnChild, Sharing } from './read';
export {
  addChild,
  addChildChange,
  addHandOver,
  changeHomeOf,
  changeRecordOf,
  deleteChild,
  giveAccess,
  lockChild,
  setLeftOn,
  removeAccess,
} from './write';
export type { DeletedCounts, NewChild, NewHandOver } from './write';
