import type { RosterFact } from '@/core/students';

/** How lists usually call their columns. Common practice, no source. */
export const USUAL_ROSTER_HEADINGS: Readonly<Record<RosterFact, readonly string[]>> = {
  name: ['name', 'student', 'student name', 'child', 'full name', 'pupil'],
  calledName: ['first name', 'called name', 'first', 'goes by', 'preferred name', 'nickname'],
  initial: ['initial', 'last initial', 'last name', 'surname', 'last', 'family name'],
  bornOn: ['born', 'born on', 'birthday', 'birth date', 'birthdate', 'date of birth', 'dob', 'd.o.b.'],
  school: ['school', 'building', 'site', 'campus'],
  hand: ['hand', 'handedness', 'hand preference', 'dominant hand'],
  minutesPerDay: ['minutes', 'minutes a day', 'min/day', 'minutes per day', 'home minutes'],
  familyLanguage: ['language', 'home language', 'family language', 'family writes'],
  allergies: ['allergies', 'allergy'],
  mouthsThings: ['mouths things', 'mouths objects', 'mouths', 'mouthing'],
  scissorsAllowed: ['scissors', 'scissors allowed', 'scissors ok'],
  hasPrinter: ['printer', 'has printer', 'has a printer'],
  reportWay: ['reports by', 'way', 'report way', 'contact way'],
  helpers: ['helpers', 'helper', 'who helps', 'adult at home'],
  teacher: ['teacher', 'classroom', 'room', 'homeroom'],
  likes: ['likes', 'interests'],
};
