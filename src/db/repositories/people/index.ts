export { countPeople, invitationByHash, openInvitations, openSignIns, peopleHere, personById, personByEmail, signInByHash } from './read';
export type { Invitation, OpenSignIn, Person, SignIn } from './read';
export {
  addInvitation,
  addPerson,
  addSignIn,
  changePasswordHash,
  dropInvitation,
  dropUnusedInvitations,
  revokeOtherSignIns,
  revokeSignInOf,
  spendInvitation,
} from './write';
export type { NewSignIn } from './write';
