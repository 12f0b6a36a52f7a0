/** What a column of a list of reports may tell. */
export const REPORT_COLUMNS = [
  'child',
  'task',
  'doneOn',
  'done',
  'amount',
  'left',
  'right',
  'minutes',
  'help',
  'effort',
  'stopReason',
  'step',
  'words',
  'saidBy',
] as const;
export type ReportColumn = (typeof REPORT_COLUMNS)[number];
