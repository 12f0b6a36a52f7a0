import Papa from 'papaparse';

/** The published template of a caseload: headings that are known without matching, and one invented child. */
export const ROSTER_TEMPLATE = Papa.unparse([
  [
    'First name',
    'Last initial',
    'Born on',
    'School',
    'Hand',
    'Minutes a day',
    'Family language',
    'Allergies',
    'Mouths objects',
    'Scissors allowed',
    'Has a printer',
    'Reports by',
    'Helpers',
    'Teacher',
    'Likes',
  ],
  [
    'Odalys',
    'V',
    '2021-09-20',
    'Millbeck Early Learning Center',
    'left',
    '15',
    'Spanish',
    'wheat: rash',
    'yes',
    'no',
    'no',
    'link',
    'mother',
    'Room 4',
    'trucks',
  ],
]);
