import type { PaperSize } from '@/core/print';
import type { ReportDrawing, ReportPage, ReportPart, SharePoint } from '@/core/progress';
import { mm, Pen } from './pen';

const HEIGHT = mm(38);
const LEFT = mm(22);

/** The reports of one or of many children in one file, each child on pages of its own. Null where there is none. */
export async function progressPdf(
  pages: AsyncIterable<ReportPage>,
  { size, title }: { size: PaperSize; title: string },
): Promise<Uint8Array | null> {
  let pen: Pen | null = null;
  for await (const page of pages) {
    pen ??= new Pen({ size, isLarge: false, language: 'en', title });
    reportOn(pen, page);
  }
  return pen ? pen.finish() : null;
}

function reportOn(pen: Pen, { title, under, goals, legend }: ReportPage): void {
  pen.page();
  pen.begin();
  pen.say('H1', title, 18);
  pen.say('P', under, 10, { gap: 8 });
  for (const { statement, criterion, standing, paragraph, drawing } of goals) {
    pen.begin();
    pen.keep(mm(60));
    pen.say('H2', statement, 13);
    pen.say('P', `${criterion} ${standing}.`, 10, { gap: 4 });
    if (drawing) draw(pen, drawing);
    for (const { text, isOwn } of inBlocks(paragraph)) {
      const top = pen.doc.y;
      pen.say('P', text, 11, { indent: isOwn ? mm(4) : 0, gap: 3 });
      // A page may have begun between.
      if (isOwn && pen.doc.y > top) lineBeside(pen, top);
    }
    pen.doc.y += 10;
  }
  pen.begin();
  pen.say('P', legend, 9);
}

/** Joins consecutive parts by one author into a block. */
function inBlocks(parts: readonly ReportPart[]): ReportPart[] {
  return parts.reduce<ReportPart[]>((blocks, part) => {
    const last = blocks.at(-1);
    return last?.isOwn === part.isOwn ? [...blocks.slice(0, -1), { ...last, text: `${last.text} ${part.text}` }] : [...blocks, part];
  }, []);
}

function lineBeside(pen: Pen, top: number): void {
  const { y } = pen.doc;
  pen.draw((doc) =>
    doc
      .lineWidth(1.6)
      .moveTo(pen.left + mm(1.5), top)
      .lineTo(pen.left + mm(1.5), y - 4)
      .stroke(),
  );
}

/** Aim dashed, own measures as squares, the family's word as circles, steps as upright lines, skins as dotted ones. */
function draw(pen: Pen, { aim, own, family, steps, skins, least, most, from, to }: ReportDrawing): void {
  pen.keep(HEIGHT + 24);
  const top = pen.doc.y + 10;
  const left = pen.left + LEFT;
  const width = pen.width - LEFT - mm(4);
  const at = ([x, y]: SharePoint): [number, number] => [left + x * width, top + HEIGHT * (1 - y)];
  pen.draw((doc) => {
    doc
      .moveTo(...at([0, 1]))
      .lineTo(...at([0, 0]))
      .lineTo(...at([1, 0]))
      .stroke();
    for (const { x } of steps)
      doc
        .moveTo(...at([x, 0]))
        .lineTo(...at([x, 1]))
        .stroke();
    doc.dash(1, { space: 2 });
    for (const { x } of skins)
      doc
        .moveTo(...at([x, 0]))
        .lineTo(...at([x, 1]))
        .stroke();
    doc
      .dash(3, { space: 2 })
      .moveTo(...at(aim[0]))
      .lineTo(...at(aim[1]))
      .stroke()
      .undash();
    for (const point of family) doc.circle(...at(point), 2.2).stroke();
    for (const point of own) {
      const [x, y] = at(point);
      doc.rect(x - 2.6, y - 2.6, 5.2, 5.2).fill();
    }
  });
  const small = { width: LEFT - 6, align: 'right', scaled: false } as const;
  pen.put('P', most, pen.left, top - 4, 8, small);
  pen.put('P', least, pen.left, top + HEIGHT - 6, 8, small);
  for (const { x, label } of steps) pen.put('P', label, at([x, 1])[0] - 14, top - 11, 7, { width: 40, scaled: false });
  for (const { x, label } of skins) pen.put('P', label, at([x, 0])[0] + 2, top + HEIGHT - 9, 7, { width: 70, scaled: false });
  pen.put('P', from, left, top + HEIGHT + 3, 8, { width: 120, scaled: false });
  pen.put('P', to, left + width - 120, top + HEIGHT + 3, 8, { width: 120, align: 'right', scaled: false });
  pen.doc.y = top + HEIGHT + 18;
}
