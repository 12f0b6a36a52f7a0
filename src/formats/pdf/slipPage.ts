import { encode } from 'uqr';
import type { PaperSlip } from '@/core/print';
import { mm, type Pen } from './pen';

const QR_MM = 26;
const BOX = 9;

/** A page to cross and to give back: a row a day, a column a task, the same letters as in texts. Its boxes stay as large as they are: hands write in them. */
export function slipPage(pen: Pen, slip: PaperSlip, hurt: string): void {
  pen.page();
  pen.begin();
  const { link } = slip;
  const qr = mm(QR_MM);
  const textWidth = pen.width - (link ? qr + 10 : 0);
  const top = pen.doc.y;
  const line = (tag: string, text: string, points: number, isBold = false) => {
    pen.put(tag, text, pen.left, pen.doc.y, points, { width: textWidth, isBold, scaled: false });
    pen.doc.y += 2;
  };
  line('H1', slip.title, 18, true);
  line('P', slip.span, 11);
  line('P', slip.how, 10);
  if (link) {
    qrAt(pen, link.address, pen.right - qr, top, qr);
    const below = top + qr + 2;
    pen.put('P', link.words, pen.right - qr - 6, below, 8, { width: qr + 12, align: 'center', scaled: false });
    pen.doc.y = Math.max(pen.doc.y, below + 14);
  }
  grid(pen, slip);
  pen.begin();
  for (const { heading, words } of slip.legend) {
    const { y } = pen.doc;
    pen.put('P', heading, pen.left, y, 9, { isBold: true, scaled: false, width: mm(24) });
    pen.put('P', words, pen.left + mm(25), y, 9, { width: pen.width - mm(25), scaled: false });
    pen.doc.y += 1;
  }
  pen.doc.y += 4;
  const height =
    pen.doc
      .font('bold')
      .fontSize(9.5)
      .heightOfString(hurt, { width: pen.width - 14 }) + 10;
  const { y } = pen.doc;
  pen.box(pen.left, y, pen.width, height, { thick: true });
  pen.put('P', hurt, pen.left + 7, y + 5, 9.5, { width: pen.width - 14, isBold: true, scaled: false });
  pen.doc.y = y + height + 8;
  const noteY = pen.doc.y;
  pen.put('P', slip.note, pen.left, noteY, 9.5, { scaled: false });
  pen.draw((doc) =>
    doc
      .moveTo(pen.left + mm(36), noteY + 11)
      .lineTo(pen.right, noteY + 11)
      .stroke(),
  );
  pen.put('P', slip.byText, pen.left, noteY + 18, 9.5, { scaled: false, width: pen.width - mm(30) });
  pen.put('P', slip.code, pen.right - mm(30), noteY + 18, 9.5, { width: mm(30), align: 'right', scaled: false });
}

function grid(pen: Pen, slip: PaperSlip): void {
  pen.begin('Table');
  const head = mm(13);
  const row = mm(16.2);
  const dayWidth = mm(33);
  const column = (pen.width - dayWidth) / slip.tasks.length;
  const { y } = pen.doc;
  const at = (index: number) => pen.left + dayWidth + column * index;
  pen.draw((doc) => {
    const bottom = y + head + row * slip.days.length;
    doc.rect(pen.left, y, pen.width, bottom - y).stroke();
    slip.tasks.forEach((_, index) => doc.moveTo(at(index), y).lineTo(at(index), bottom).stroke());
    slip.days.forEach((_, index) =>
      doc
        .moveTo(pen.left, y + head + row * index)
        .lineTo(pen.right, y + head + row * index)
        .stroke(),
    );
  });
  pen.put('TH', slip.day, pen.left + 4, y + head / 2 - 6, 11, { isBold: true, scaled: false });
  slip.tasks.forEach(({ letter, title, amount }, index) => {
    pen.box(at(index) + 4, y + 4, 15, 15);
    pen.put('TH', letter, at(index) + 4, y + 6, 11, { width: 15, align: 'center', isBold: true, scaled: false });
    pen.put('TH', amount, at(index) + 23, y + 7, 8, { width: column - 27, align: 'right', scaled: false });
    pen.put('TH', title, at(index) + 4, y + 22, 9, { width: column - 8, isBold: true, scaled: false });
  });
  slip.days.forEach(({ name, date }, day) => {
    const line = y + head + row * day;
    pen.put('TH', name, pen.left + 4, line + 8, 10.5, { isBold: true, scaled: false });
    pen.put('TH', date, pen.left + 4, line + 21, 8.5, { scaled: false });
    [slip.rows.howMany, slip.rows.help, slip.rows.effort].forEach((words, place) =>
      pen.put('TH', words, pen.left + mm(13), line + 5 + place * 14, 8, { width: dayWidth - mm(13) - 3, align: 'right', scaled: false }),
    );
    slip.tasks.forEach((task, index) => {
      if (task.asked[day]) cell(pen, slip, task.boxes, at(index), line, column);
      else pen.put('TD', '–', at(index), line + row / 2 - 6, 10, { width: column, align: 'center', scaled: false });
    });
  });
  pen.doc.y = y + head + row * slip.days.length + 6;
}

function cell(pen: Pen, slip: PaperSlip, boxes: PaperSlip['tasks'][number]['boxes'], x: number, y: number, width: number): void {
  let left = x + 4;
  for (const { before, after } of boxes) {
    if (before) {
      pen.put('TD', before, left, y + 4.5, 8.5, { isBold: true, scaled: false });
      left += 8;
    }
    pen.box(left, y + 3, 20, 11);
    left += 23;
    if (after) pen.put('TD', after, left, y + 4.5, 8.5, { scaled: false });
  }
  pen.box(x + width - 20, y + 3, 16, 11, { dashed: true });
  pen.put('TD', slip.notDone, x + width - 28, y + 4.5, 8.5, { isBold: true, scaled: false });
  choices(pen, slip.helpLetters, x + 4, y + 18);
  choices(pen, slip.effortLetters, x + 4, y + 32);
}

/** A box and its letter, several beside each other. */
function choices(pen: Pen, letters: readonly string[], x: number, y: number): void {
  letters.forEach((letter, index) => {
    pen.box(x + index * 22, y, BOX, BOX);
    pen.put('TD', letter, x + index * 22 + BOX + 2, y + 0.5, 8.5, { isBold: true, scaled: false });
  });
}

/** A square that a phone reads, with the quiet edge that it needs. */
function qrAt(pen: Pen, address: string, x: number, y: number, size: number): void {
  const { data, size: modules } = encode(address, { ecc: 'M', border: 2 });
  const side = size / modules;
  pen.draw((doc) => {
    data.forEach((line, row) => line.forEach((isDark, column) => isDark && doc.rect(x + column * side, y + row * side, side, side)));
    doc.fill();
  });
}
