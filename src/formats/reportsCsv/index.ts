export { USUAL_REPORT_HEADINGS } from './columns';
export { MOST_REPORT_ROWS, readReports } from './read';
export type { ReportCellFinding, ReportRow } from './read';
export { REPORTS_TEMPLATE } from './template';
