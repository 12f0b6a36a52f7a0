export { PAPER_SIZES } from './paper';
export type { Paper, PaperMap, PaperSize, PaperSlip, PaperTask } from './paper';
