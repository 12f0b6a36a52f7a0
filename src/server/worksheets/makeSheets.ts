import { z } from 'zod';
import { calendarDayInZone } from '@/core/calendar';
import { nameOf, type Child } from '@/core/students';
import { PAPER_SIZES, type PaperSize } from '@/core/print';
import { contentFor, isActiveOn } from '@/core/programs';
import { drawSheet, sheetFor, type SheetIssue, type SheetWords } from '@/core/worksheets';
import { sheetSpecSchema, type SheetSpec } from '@/core/tasks';
import type { TaskContent } from '@/core/tasks';
import type { Language, LocalText } from '@/core/text';
import { childById, childrenOf, inTransaction, latestTasks, versionHolding, type Work } from '@/db';
import { withheldOf } from '../programs/withheld';
import { sheetPdf, type PdfSheet } from '@/formats';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';
import { viewFamily } from '../reports/viewFamily';

/** For whom a sheet is: a child, or anybody. */
export type SheetChild = Pick<Child, 'calledName' | 'hand' | 'familyLanguage'>;
/** How a step is put into words is the screens' own. */
export type ComposeSheet = (
  content: TaskContent,
  step: number,
  child: SheetChild,
) => Promise<{ readonly language: Language; readonly words: SheetWords }>;

export const ANYBODY: SheetChild = { calledName: '', hand: 'right', familyLanguage: 'en' };

const isOn = z.preprocess((value) => value === 'on' || value === '1' || value === true, z.boolean());
const paperFields = { size: z.enum(PAPER_SIZES).default('letter'), large: isOn };

const oneSchema = z.object({
  ...paperFields,
  slug: z.string().max(80),
  step: z.coerce.number().int().min(1).max(12),
  childId: z.coerce.number().int().positive().optional(),
  /** For another hand than the child's. */
  hand: z.enum(['left', 'right']).optional(),
  /** Worksheet that is open and not saved yet; the step's own where it is left out. */
  spec: sheetSpecSchema.optional(),
});

/**
 * The sheet of one step as a PDF: as it stands in the Sheet maker, else as the child has it, else as the task has it.
 * @throws AppError notFound, invalid; noSheet where the step has none
 */
export async function sheetOfStep(context: Context, actor: PersonActor, raw: unknown, compose: ComposeSheet): Promise<Uint8Array> {
  const options = parseInput(oneSchema, raw);
  const { content, child } = await inTransaction(context.db, async (work) => {
    const task = (await latestTasks(work, actor.personId)).find((each) => each.content.slug === options.slug);
    if (!task) throw new AppError('notFound');
    if (options.childId === undefined) return { content: contentFor(task.content, {}), child: ANYBODY };
    const own = (await requireChild(work, actor, options.childId, 'readChild')).child;
    const version = await versionHolding(work, own.id, calendarDayInZone(context.now(), own.timeZone));
    return {
      content: version?.tasks.find(({ taskId }) => taskId === task.taskId)?.content ?? contentFor(task.content, {}, own.taskSettings),
      child: own,
    };
  });
  if (options.childId !== undefined) await context.looks.note(entryOf(actor, context.now(), [options.childId], 'child.viewed'));
  const spec = options.spec ?? content.ladder.steps[options.step - 1]?.sheet;
  if (!spec || !content.ladder.steps[options.step - 1]) throw new AppError('noSheet');
  const sheet = await pdfSheet(
    compose,
    content,
    options.step,
    spec,
    { ...child, hand: options.hand ?? child.hand },
    options.size,
    options.large,
  );
  return oneFile([sheet], options.size, sheet.title);
}

/**
 * Every sheet of a week: of one child's bag, of a school's, or of a caseload's, for each task at the step of today, in one file. What is closed or rests has none.
 * Null where it was stopped.
 * @throws AppError notFound, invalid; noSheet where nobody has one
 */
export async function sheetsOfWeek(
  context: Context,
  actor: PersonActor,
  raw: unknown,
  compose: ComposeSheet,
  onChild: (done: number, of: number, own: null) => Promise<boolean>,
): Promise<{ readonly file: Uint8Array; readonly left: readonly { readonly name: string; readonly why: string }[] } | null> {
  const { school, childId, size, large, stones } = parseInput(
    z.object({
      ...paperFields,
      school: z.string().max(120).default(''),
      childId: z.coerce.number().int().positive().optional(),
      /** A page of stones for the fridge, before each child's sheets. */
      stones: isOn,
    }),
    raw,
  );
  const ids = await inTransaction(context.db, async (work) => {
    if (childId !== undefined) return [(await requireChild(work, actor, childId, 'readChild')).child.id];
    const own = (await childrenOf(work, actor.personId)).map(({ child }) => child);
    return own.filter((child) => school === '' || child.school === school).map(({ id }) => id);
  });
  const left: { name: string; why: string }[] = [];
  let stopped = false;
  async function* sheets(): AsyncGenerator<PdfSheet> {
    for (const [index, id] of ids.entries()) {
      const made = await inTransaction(context.db, (work) => stepsOfToday(work, context, id));
      if (made.steps.length === 0 && !(stones && made.tasks.length > 0)) left.push({ name: nameOf(made.child), why: 'nothing' });
      const [first] = made.tasks;
      if (stones && first)
        yield await pdfSheet(
          compose,
          first.content,
          first.step,
          STONES,
          made.child,
          size,
          large,
          made.tasks.map(({ content }) => content.title),
        );
      for (const { content, step, spec } of made.steps) {
        // A worksheet that cannot be drawn (a name without strokes, say) does not keep the others from being printed.
        const sheet = await pdfSheet(compose, content, step, spec, made.child, size, large).catch(ifNotDrawn);
        if (sheet) yield sheet;
        else left.push({ name: nameOf(made.child), why: 'notDrawn' });
      }
      if (!(await onChild(index + 1, ids.length, null))) {
        stopped = true;
        return;
      }
    }
  }
  const file = await sheetPdf(sheets(), { size, title: 'Worksheets of the week' });
  await context.looks.note(entryOf(actor, context.now(), ids, 'child.viewed'));
  if (stopped) return null;
  if (!file) throw new AppError('noSheet');
  return { file, left };
}

const familySchema = z.object({
  versionTaskId: z.coerce.number().int().positive(),
  /** Today's where it is left out. */
  step: z.coerce.number().int().min(1).max(12).optional(),
  size: paperFields.size,
});

/** A task's sheet for who holds the family's link: at the step that they may choose. @throws AppError link…, notFound, invalid; noSheet */
export async function sheetForFamily(context: Context, token: string, raw: unknown, compose: ComposeSheet): Promise<Uint8Array> {
  const view = await viewFamily(context, token);
  const options = parseInput(familySchema, raw);
  const found = [...view.tasks, ...view.otherTasks].find(({ task }) => task.versionTaskId === options.versionTaskId);
  const { step = found?.task.step ?? 0, size } = options;
  if (!found || found.closed || step < found.task.chooseFrom || step > found.task.chooseTo) throw new AppError('notFound');
  const spec = found.task.content.ladder.steps[step - 1]?.sheet;
  if (!spec) throw new AppError('noSheet');
  const sheet = await pdfSheet(compose, found.task.content, step, spec, view.child, size, false);
  return oneFile([sheet], size, sheet.title);
}

const STONES = { kind: 'stones', sessions: 7 } as const;

/** Lists a student's tasks of today that have a worksheet: none that is on hold, paused or ended. */
async function stepsOfToday(work: Work, context: Context, childId: number) {
  const child = (await childById(work, childId))!;
  const today = calendarDayInZone(context.now(), child.timeZone);
  const version = await versionHolding(work, childId, today);
  const withheld = await withheldOf(work, child, version, today);
  const tasks =
    version && isActiveOn(version, version.startsOn > today ? version.startsOn : today)
      ? version.tasks.filter(({ taskId }) => !withheld.has(taskId))
      : [];
  const steps = tasks.flatMap(({ content, step }) => {
    const spec = content.ladder.steps[step - 1]?.sheet;
    return spec ? [{ content, step, spec }] : [];
  });
  return { child, tasks, steps };
}

async function pdfSheet(
  compose: ComposeSheet,
  content: TaskContent,
  step: number,
  spec: SheetSpec,
  child: SheetChild,
  paper: PaperSize,
  isLarge: boolean,
  /** Activities of the child, in order. */
  titles: readonly LocalText[] = [content.title],
): Promise<PdfSheet & { readonly title: string }> {
  const { language, words } = await compose(content, step, child);
  const audience = sheetFor({ content, step, child, hand: child.hand, language, isLarge, titles });
  const drawn = drawSheet({ spec, paper, audience, words });
  if (!drawn.ok) throw new AppError('invalid', { issues: drawn.issues.map(sheetFault) });
  return { language, scenes: drawn.value, title: words.title };
}

/** @throws whatever else went wrong */
function ifNotDrawn(error: unknown): null {
  if (error instanceof AppError && error.code === 'invalid') return null;
  throw error;
}

const sheetFault = ({ code }: SheetIssue) => ({ path: 'spec', code });

async function oneFile(sheets: readonly PdfSheet[], size: PaperSize, title: string): Promise<Uint8Array> {
  return (await sheetPdf(sheets, { size, title }))!;
}
