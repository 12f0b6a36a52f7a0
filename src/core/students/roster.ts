/**
 * Columns that a list of students may have. `name` is both in one: called name and initial, or a whole name, of which only the
 * initial is stored.
 */
export const ROSTER_FACTS = [
  'name',
  'calledName',
  'initial',
  'bornOn',
  'school',
  'hand',
  'minutesPerDay',
  'familyLanguage',
  'allergies',
  'mouthsThings',
  'scissorsAllowed',
  'hasPrinter',
  'reportWay',
  'helpers',
  'teacher',
  'likes',
] as const;
export type RosterFact = (typeof ROSTER_FACTS)[number];

/** Which number of 3/4/2021 is the month. */
export const DATE_ORDERS = ['monthFirst', 'dayFirst'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];
