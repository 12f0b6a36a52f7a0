export { progressPdf } from './progressPdf';
export { PAPER_PARTS, paperPdf } from './paperPdf';
export type { PaperPart } from './paperPdf';
export { sheetPdf, type PdfSheet } from './sheetPdf';
