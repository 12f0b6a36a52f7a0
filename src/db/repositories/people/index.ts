export {
  countLed,
  countPeople,
  invitationByHash,
  openInvitations,
  openSignIns,
  passwordLinkByHash,
  peopleHere,
  personByEmail,
  personById,
  signInByHash,
} from './read';
export type { Colleague, Invitation, OpenSignIn, PasswordLink, Person, SignIn } from './read';
export {
  addInvitation,
  addPasswordLink,
  addPerson,
  addSignIn,
  changePasswordHash,
  closePerson,
  dropInvitation,
  dropUnusedInvitations,
  revokeOtherSignIns,
  revokeSignInOf,
  spendInvitation,
  spendPasswordLink,
} from './write';
export type { NewSignIn } from './write';
