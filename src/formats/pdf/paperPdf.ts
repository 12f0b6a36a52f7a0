import type { Paper, PaperSize } from '@/core/print';
import { Pen } from './pen';
import { programPages } from './programPages';
import { slipPage } from './slipPage';

/** Parts of the printout: the program, its slip, or both. */
export const PAPER_PARTS = ['all', 'program', 'slip'] as const;
export type PaperPart = (typeof PAPER_PARTS)[number];

export interface PaperPdfOptions {
  readonly size: PaperSize;
  readonly isLarge: boolean;
  readonly part: PaperPart;
  readonly title: string;
  /** Told after each paper; what it gives back is waited for, so that others are served in between. False: stop. */
  readonly onPaper?: (done: number) => Promise<boolean>;
}

/** Papers of one or of many children in one file, each on pages of its own. Null where it was stopped. */
export async function paperPdf(papers: AsyncIterable<Paper> | Iterable<Paper>, options: PaperPdfOptions): Promise<Uint8Array | null> {
  let pen: Pen | null = null;
  let done = 0;
  for await (const paper of papers) {
    pen ??= new Pen({ size: options.size, isLarge: options.isLarge, language: paper.language, title: options.title });
    pen.language = paper.language;
    if (options.part !== 'slip') programPages(pen, paper);
    if (options.part !== 'program') for (const slip of paper.slips) slipPage(pen, slip, paper.hurt);
    done += 1;
    if (options.onPaper && !(await options.onPaper(done))) return null;
  }
  return pen ? pen.finish() : null;
}
