export { countPeople, invitationByHash, openSignIns, personByEmail, signInByHash } from './read';
export type { Invitation, OpenSignIn, Person, SignIn } from './read';
export { addInvitation, addPerson, addSignIn, dropUnusedInvitations, revokeSignInOf, spendInvitation } from './write';
export type { NewSignIn } from './write';
