import { z } from 'zod';
import { addDays, calendarDayInZone, parseCalendarDay, weekdayOf, type CalendarDay } from '@/core/calendar';
import { nameOf } from '@/core/students';
import { PAPER_SIZES, type Paper, type PaperSize } from '@/core/print';
import { directionOf, languageOf } from '@/core/text';
import { childById, childrenOf, inTransaction, markPrinted, workplaceOf } from '@/db';
import { PAPER_PARTS, paperPdf } from '@/formats';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';
import { loadPaper, viewPaper, type PaperView } from './viewPaper';

const optionsSchema = z.object({
  size: z.enum(PAPER_SIZES).default('letter'),
  large: z.preprocess((value) => value === 'on' || value === '1' || value === true, z.boolean()),
  part: z.enum(PAPER_PARTS).default('all'),
  /** The slip's first day; the coming Monday where it is not said. */
  from: z
    .string()
    .optional()
    .transform((text) => (text ? parseCalendarDay(text) : null)),
  /** A file for each child, and not one for all. */
  each: z.preprocess((value) => value === 'on', z.boolean()),
  /** A school's children alone. */
  school: z.string().max(120).optional(),
});

/** How a program is put into words is the screens' own; the same words stand on paper. */
export type Compose = (view: PaperView, options: { size: PaperSize; isLarge: boolean; from: CalendarDay }) => Promise<Paper>;

export interface MadePaper {
  readonly file: Uint8Array;
  readonly name: string;
  /** Children without paper, and why: nothing sent, everything closed, or a language that is written from the right. */
  readonly left: readonly { readonly childId: number; readonly name: string; readonly why: 'nothing' | 'rightToLeft' }[];
  /** Which versions the file holds. */
  readonly printed: readonly PrintedVersion[];
}

interface PrintedVersion {
  readonly programId: number;
  readonly number: number;
}

/** The program of one child as a PDF. @throws AppError notFound, invalid; noPaper where there is nothing to print */
export async function paperOfChild(
  context: Context,
  actor: PersonActor,
  childId: number,
  raw: unknown,
  compose: Compose,
): Promise<MadePaper> {
  const made = onlyOne(await make(context, (id) => viewPaper(context, actor, id), [childId], raw, compose, GO_ON));
  await notePrinted(context, made.printed);
  return made;
}

/** The same for who holds a link to it and is nobody here: without the family's own link on it. */
export async function paperOfChildFor(context: Context, childId: number, raw: unknown, compose: Compose): Promise<MadePaper> {
  const view = async (id: number) =>
    inTransaction(context.db, async (work) => {
      const child = await childById(work, id);
      if (!child) throw new AppError('linkUnknown');
      return { ...(await loadPaper(work, context, child)), link: null };
    });
  return onlyOne(await make(context, view, [childId], raw, compose, GO_ON));
}

/**
 * The programs of a caseload, or of its children at one school, as one PDF or one each. Each child is read, drawn and let go before the
 * next, and others are served in between. Null where it was stopped.
 * @param onChild told after each child, with the child's own file where one each was wished; false stops
 * @throws AppError invalid; noPaper where there is nothing to print for anybody
 */
export async function paperOfCaseload(
  context: Context,
  actor: PersonActor,
  raw: unknown,
  compose: Compose,
  onChild: (done: number, of: number, own: MadePaper | null) => Promise<boolean>,
): Promise<Made | null> {
  const { school, each } = parseInput(optionsSchema, raw);
  const own = await inTransaction(context.db, (work) => childrenOf(work, actor.personId));
  const ids = own.filter(({ child }) => !school || child.school === school).map(({ child }) => child.id);
  const view = (id: number) => viewPaper(context, actor, id);
  if (!each) {
    const made = await make(context, view, ids, raw, compose, (done, of) => onChild(done, of, null));
    if (made && !made.file) throw new AppError('noPaper');
    if (made) await notePrinted(context, made.printed);
    return made;
  }
  const left: Made['left'][number][] = [];
  for (const [index, childId] of ids.entries()) {
    const { file, ...made } = (await make(context, view, [childId], raw, compose, GO_ON))!;
    left.push(...made.left);
    await notePrinted(context, made.printed);
    if (!(await onChild(index + 1, ids.length, file && { ...made, file }))) return null;
  }
  return { file: null, name: '', left, printed: [] };
}

const GO_ON = async () => true;

function onlyOne(made: Made | null): MadePaper {
  if (!made?.file) throw new AppError('noPaper');
  return { ...made, file: made.file };
}

/** The result; without a file where there was nothing to print. */
type Made = Omit<MadePaper, 'file'> & { readonly file: Uint8Array | null };

async function make(
  context: Context,
  viewOf: (childId: number) => Promise<PaperView>,
  ids: readonly number[],
  raw: unknown,
  compose: Compose,
  onChild: (done: number, of: number) => Promise<boolean>,
): Promise<Made | null> {
  const { size, large, part, from } = parseInput(optionsSchema, raw);
  const { timeZone } = await inTransaction(context.db, workplaceOf);
  const options = { size, isLarge: large, from: from ?? nextMonday(calendarDayInZone(context.now(), timeZone)) };
  const left: MadePaper['left'][number][] = [];
  const printed: PrintedVersion[] = [];
  let name = '';
  let seen = 0;
  let isStopped = false;
  async function* papers() {
    for (const childId of ids) {
      const view = await viewOf(childId);
      name = nameOf(view.child);
      seen += 1;
      const isOpen = view.program !== null && view.rest?.kind !== 'ended';
      const paper = isOpen ? await compose(view, options) : null;
      const isRightToLeft = directionOf(languageOf(view.child.familyLanguage)) === 'rtl';
      if (!paper || paper.tasks.length === 0) left.push({ childId, name, why: 'nothing' });
      else if (isRightToLeft) left.push({ childId, name, why: 'rightToLeft' });
      else {
        const { programId, number } = view.program!;
        printed.push({ programId, number });
        yield paper;
      }
      isStopped ||= !(await onChild(seen, ids.length));
      if (isStopped) return;
      // Yields to other requests.
      await new Promise(setImmediate);
    }
  }
  const file = await paperPdf(papers(), { size, isLarge: large, part, title: 'Home practice' });
  if (isStopped) return null;
  return { file, name: ids.length === 1 ? name : 'caseload', left, printed };
}

/** Marks the versions as printed. */
async function notePrinted(context: Context, versions: readonly PrintedVersion[]): Promise<void> {
  await inTransaction(context.db, async (work) => {
    for (const { programId, number } of versions) await markPrinted(work, programId, number, context.now());
  });
}

/** Today where it is a Monday, else the coming one: slips are of whole weeks. */
function nextMonday(today: CalendarDay): CalendarDay {
  return addDays(today, (8 - weekdayOf(today)) % 7);
}
