export { childById, childFor, childrenOf, goalsOf, sharingOf } from './read';
export type { Goal, OwnChild, Sharing } from './read';
export { addChild, addGoal, changeHomeOf, deleteChild, giveAccess } from './write';
export type { DeletedCounts, NewChild, NewGoal } from './write';
