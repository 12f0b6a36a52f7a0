import type { PaperSize } from '@/core/print';
import { svgPath, type Mark, type Scene, type Tone } from '@/core/worksheets';
import { mm, Pen } from './pen';

const INKS: Readonly<Record<Tone, string>> = { ink: '#000', soft: '#444', faint: '#8a8a8a' };
const FILLS = { shade: '#d9d9d9', ink: '#000', paper: '#fff' } as const;

export interface PdfSheet {
  readonly language: string;
  readonly scenes: readonly Scene[];
}

export interface SheetPdfOptions {
  readonly size: PaperSize;
  readonly title: string;
}

/** Sheets true to scale in one file: the same sheets give the same bytes. Null where there is none. */
export async function sheetPdf(
  sheets: AsyncIterable<PdfSheet> | Iterable<PdfSheet>,
  { size, title }: SheetPdfOptions,
): Promise<Uint8Array | null> {
  let pen: Pen | null = null;
  for await (const { language, scenes } of sheets) {
    pen ??= new Pen({ size, isLarge: false, language, title });
    pen.language = language;
    for (const scene of scenes) sheetPage(pen, scene);
  }
  return pen?.finish() ?? null;
}

function sheetPage(pen: Pen, { marks }: Scene): void {
  pen.page();
  pen.begin();
  pen.draw((doc) => {
    doc.lineCap('round').lineJoin('round');
    doc.scale(mm(1));
    for (const mark of marks) if (mark.kind !== 'text') drawMark(doc, mark);
  });
  for (const mark of marks) if (mark.kind === 'text') sayMark(pen, mark);
}

function drawMark(doc: Pen['doc'], mark: Exclude<Mark, { kind: 'text' }>): void {
  if (mark.kind === 'dot') {
    doc.circle(mark.at[0], mark.at[1], mark.radiusMm).undash();
    if (mark.isFilled) doc.fill(INKS[mark.tone]);
    else doc.lineWidth(0.5).stroke(INKS[mark.tone]);
    return;
  }
  doc.path(svgPath(mark.curves, mark.isClosed)).lineWidth(mark.widthMm);
  if (mark.dash) doc.dash(mark.dash[0], { space: mark.dash[1] });
  else doc.undash();
  if (mark.fill) doc.fillAndStroke(FILLS[mark.fill], INKS[mark.tone]);
  else doc.stroke(INKS[mark.tone]);
}

/** The line that letters stand on is what a mark says; a PDF's text begins at its top. */
function sayMark(pen: Pen, { at, text, sizeMm, anchor, isBold, tone }: Extract<Mark, { kind: 'text' }>): void {
  const points = mm(sizeMm);
  pen.doc.font(isBold ? 'bold' : 'text').fontSize(points);
  const width = pen.doc.widthOfString(text);
  const left = mm(at[0]) - (anchor === 'middle' ? width / 2 : anchor === 'end' ? width : 0);
  pen.put('P', text, left, mm(at[1]) - pen.ascender(points), points, { isBold, scaled: false, color: INKS[tone] });
}
