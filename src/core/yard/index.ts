export { YARD_SPANS, yardDays, yardRow } from './yardRow';
export type { YardSpan, YardFlight, YardInput, YardRow } from './yardRow';
export { arrangeYard, isSilent, SILENT_DAYS, USUAL_YARD_COLUMNS, YARD_COLUMNS, YARD_FILTERS, YARD_SORTS } from './arrangeYard';
export type { YardColumn, YardFilter, YardGroup, YardSort, YardWish } from './arrangeYard';
