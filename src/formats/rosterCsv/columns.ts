import { ROSTER_FACTS, type RosterFact } from '@/core/child';
import { plain } from '@/core/text';

/** How lists usually call their columns. Common practice, no source. */
const USUAL: Readonly<Record<RosterFact, readonly string[]>> = {
  name: ['name', 'student', 'student name', 'child', 'full name', 'pupil'],
  calledName: ['first name', 'called name', 'first', 'goes by', 'preferred name', 'nickname'],
  initial: ['initial', 'last initial', 'last name', 'surname', 'last', 'family name'],
  bornOn: ['born', 'born on', 'birthday', 'birth date', 'birthdate', 'date of birth', 'dob', 'd.o.b.'],
  school: ['school', 'building', 'site', 'campus'],
  hand: ['hand', 'handedness', 'hand preference', 'dominant hand'],
  minutesPerDay: ['minutes', 'minutes a day', 'min/day', 'minutes per day', 'home minutes'],
  familyLanguage: ['language', 'home language', 'family language', 'family writes'],
  allergies: ['allergies', 'allergy'],
  mouthsThings: ['mouths things', 'mouths', 'mouthing'],
  scissorsAllowed: ['scissors', 'scissors allowed', 'scissors ok'],
  hasPrinter: ['printer', 'has printer', 'has a printer'],
  reportWay: ['way', 'report way', 'word comes by', 'contact way'],
  helpers: ['helpers', 'helper', 'who helps', 'adult at home'],
  teacher: ['teacher', 'classroom', 'room', 'homeroom'],
  likes: ['likes', 'interests'],
};

/** Which fact each heading tells: as it was matched before, else by its usual names; null where neither says. */
export function matchColumns(headings: readonly string[], remembered: ReadonlyMap<string, string>): (RosterFact | null)[] {
  const taken = new Set<RosterFact>();
  return headings.map((heading) => {
    const key = headingKey(heading);
    const fact =
      ROSTER_FACTS.find((each) => each === remembered.get(key)) ?? ROSTER_FACTS.find((each) => USUAL[each].includes(key)) ?? null;
    if (fact === null || taken.has(fact)) return null;
    taken.add(fact);
    return fact;
  });
}

/** By what a heading is remembered. @example headingKey(' Date of  Birth: ') // 'date of birth' */
export function headingKey(heading: string): string {
  return plain(heading).replace(/\s+/g, ' ').replace(/:$/, '').trim().slice(0, 120);
}
