export { countPeople, openSignIns, personByEmail, signInByHash } from './read';
export type { OpenSignIn, Person, SignIn } from './read';
export { addPerson, addSignIn, revokeSignInOf } from './write';
export type { NewSignIn } from './write';
