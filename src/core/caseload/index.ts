export { CASELOAD_SPANS, yardDays, yardRow } from './caseloadRow';
export type { CaseloadSpan, RowTimeline, CaseloadInput, CaseloadRow } from './caseloadRow';
export { arrangeCaseload, isSilent, SILENT_DAYS, USUAL_YARD_COLUMNS, YARD_COLUMNS, YARD_FILTERS, YARD_SORTS } from './arrangeCaseload';
export type { CaseloadColumn, CaseloadFilter, CaseloadGroup, CaseloadSort, CaseloadQuery } from './arrangeCaseload';
