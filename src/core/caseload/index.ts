export { CASELOAD_SPANS, caseloadDays, caseloadRow } from './caseloadRow';
export type { CaseloadSpan, RowTimeline, CaseloadInput, CaseloadRow } from './caseloadRow';
export { arrangeCaseload, isSilent, DEFAULT_CASELOAD_COLUMNS, CASELOAD_COLUMNS, CASELOAD_FILTERS, CASELOAD_SORTS } from './arrangeCaseload';
export type { CaseloadColumn, CaseloadFilter, CaseloadGroup, CaseloadSort, CaseloadQuery } from './arrangeCaseload';
