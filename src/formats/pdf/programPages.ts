import type { Paper, PaperMap, PaperTask } from '@/core/print';
import { mm, type Pen } from './pen';

/** Each task of a program, one under the other: none is parted from its heading. */
export function programPages(pen: Pen, paper: Paper): void {
  pen.page();
  pen.begin();
  pen.say('H1', paper.name, 20);
  pen.say('P', paper.until, 10, { gap: 6 });
  for (const [index, task] of paper.tasks.entries()) {
    // A task begins where it has room, so that none is parted from its heading; large letters go on over pages.
    if (index > 0) pen.keep(paper.isLarge ? mm(70) : mm(26) + taskHeight(pen, task));
    taskOn(pen, task, paper.isLarge);
  }
  const height = pen.heightOf(paper.hurt, 11, pen.width - 16, true) + 12;
  pen.keep(height + mm(8));
  pen.box(pen.left, pen.doc.y, pen.width, height, { thick: true });
  const { y } = pen.doc;
  pen.put('P', paper.hurt, pen.left + 8, y + 6, 11, { width: pen.width - 16, isBold: true });
  pen.doc.y = y + height + 6;
  pen.say('P', paper.care, 8.5);
}

function taskOn(pen: Pen, task: PaperTask, isLarge: boolean): void {
  pen.begin();
  const { y } = pen.doc;
  pen.draw((doc) => doc.moveTo(pen.left, y).lineTo(pen.right, y).stroke());
  pen.doc.y = y + 6;
  pen.say('H2', `${task.letter === null ? '' : `${task.letter}  `}${task.title}`, 15);
  if (task.description) pen.say('P', task.description, 11);
  pen.say('P', `${task.part} · ${task.amount}`, 10);
  pen.say('P', task.how, 12, { isBold: true, gap: 4 });
  for (const map of task.maps) mapOn(pen, map);
  const lists = task.lists.filter(({ lines }) => lines.length > 0);
  if (isLarge) oneColumn(pen, lists);
  else twoColumns(pen, lists);
  pen.doc.y += 6;
}

/** Estimates the height below the heading. */
function taskHeight(pen: Pen, { how, maps, lists }: PaperTask): number {
  const width = (pen.width - GAP) / 2;
  const said = lists.filter(({ lines }) => lines.length > 0);
  return (
    pen.heightOf(how, 12, pen.width, true) + maps.length * mm(24) + Math.max(...sidesOf(said).map((side) => heightOf(pen, side, width)))
  );
}

type Lists = PaperTask['lists'];

/** Large letters need the whole width; a list may go on on the next page. */
function oneColumn(pen: Pen, lists: Lists): void {
  for (const { heading, lines } of lists) {
    pen.say('H3', heading, 10.5, { gap: 1 });
    for (const line of lines) pen.say('LI', `•  ${line}`, 10.5, { indent: 8, gap: 1 });
    pen.doc.y += 3;
  }
}

const GAP = 14;
const POINTS = 10;

/** Writes materials and cautions on the left and instructions on the right: both begin at one height and stay on one page. */
function twoColumns(pen: Pen, lists: Lists): void {
  const width = (pen.width - GAP) / 2;
  const sides = sidesOf(lists);
  pen.keep(Math.max(...sides.map((side) => heightOf(pen, side, width))));
  const top = pen.doc.y;
  const ends = sides.map((side, index) => {
    pen.doc.y = top;
    column(pen, side, pen.left + index * (width + GAP), width);
    return pen.doc.y;
  });
  pen.doc.y = Math.max(...ends);
}

function sidesOf(lists: Lists): Lists[] {
  const isOfAct = (index: number) => index > lists.findIndex(({ isCaution }) => isCaution);
  return [lists.filter((_, index) => !isOfAct(index)), lists.filter((_, index) => isOfAct(index))];
}

const lineOf = (text: string) => `•  ${text}`;

function heightOf(pen: Pen, lists: Lists, width: number): number {
  const heights = lists.flatMap(({ heading, lines }) => [
    pen.heightOf(heading, POINTS, width, true) + 4,
    ...lines.map((line) => pen.heightOf(lineOf(line), POINTS, width - 8) + 1),
  ]);
  return heights.reduce((sum, height) => sum + height, 0);
}

function column(pen: Pen, lists: Lists, x: number, width: number): void {
  for (const { heading, lines, isCaution = false } of lists) {
    pen.put('H3', heading, x, pen.doc.y, POINTS, { width, isBold: true });
    const top = pen.doc.y;
    for (const line of lines) {
      pen.put('LI', lineOf(line), x + 8, pen.doc.y, POINTS, { width: width - 8 });
      pen.doc.y += 1;
    }
    const bottom = pen.doc.y;
    // A bar beside what to watch out for.
    if (isCaution)
      pen.draw((doc) =>
        doc
          .lineWidth(2)
          .moveTo(x + 2, top)
          .lineTo(x + 2, bottom)
          .stroke(),
      );
    pen.doc.y = bottom + 3;
  }
}

/** The table from above, with the child at its near side. */
function mapOn(pen: Pen, { caption, left, right, middle, far }: PaperMap): void {
  const width = Math.min(pen.width, mm(110));
  const words = (things: readonly string[]) => things.join(', ');
  const column = width / 3 - 8;
  const rows = Math.max(...[left, middle, right].map((things) => pen.heightOf(words(things) || ' ', 9, column)));
  const top = far.length > 0 ? pen.heightOf(words(far), 9, width - 16) + 6 : 0;
  const height = top + rows + 16;
  pen.keep(height + 22);
  pen.say('P', caption, 9, { gap: 2 });
  const { y } = pen.doc;
  pen.box(pen.left, y, width, height);
  if (far.length > 0) pen.put('P', words(far), pen.left + 8, y + 5, 9, { width: width - 16, align: 'center' });
  const line = y + top + 6;
  pen.put('P', words(left), pen.left + 4, line, 9, { width: column, align: 'center' });
  pen.put('P', words(middle), pen.left + width / 3 + 4, line, 9, { width: column, align: 'center' });
  pen.put('P', words(right), pen.left + (width * 2) / 3 + 4, line, 9, { width: column, align: 'center' });
  // Place of the child.
  pen.draw((doc) => doc.circle(pen.left + width / 2, y + height, 5).fillAndStroke('#fff', '#000'));
  pen.doc.y = y + height + 10;
}
