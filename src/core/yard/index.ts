export { YARD_SPANS, yardDays, yardRow } from './yardRow';
export type { YardSpan, YardFlight, YardInput, YardRow } from './yardRow';
export { arrangeYard, isSilent, SILENT_DAYS, YARD_FILTERS, YARD_SORTS } from './arrangeYard';
export type { YardFilter, YardGroup, YardSort, YardWish } from './arrangeYard';
