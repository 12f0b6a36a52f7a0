/** Columns that a list of reports may have. */
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
