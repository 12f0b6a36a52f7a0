import Papa from 'papaparse';

/** The published template of a list of reports: headings that are known without matching, and two invented rows. */
export const REPORTS_TEMPLATE = Papa.unparse([
  [
    'Student',
    'Task',
    'Done on',
    'Done',
    'Amount',
    'Left',
    'Right',
    'Minutes',
    'Help',
    'Difficulty',
    'Reason',
    'Step',
    'Comment',
    'Reported by',
  ],
  ['Odalys V.', 'Crane lift', '2026-11-16', 'yes', '', '5', '4', '4', 'words', 'just right', '', '', 'asks for more', 'mother'],
  ['Odalys V.', 'Star beams', '2026-11-16', 'no', '', '', '', '', '', '', 'no time', '', '', 'mother'],
]);
