import { ENTRY_WAYS } from '@/core/reports';
import { z } from 'zod';
import { calendarDayInZone, calendarDaySchema, type CalendarDay } from '@/core/calendar';
import { readCell, readReply } from '@/core/replies';
import { BASE_LANGUAGE, languageOf, type Language } from '@/core/text';
import { inTransaction, knownReportKeys, lockForTyping, reportLog, settleTextsUpTo, type Work } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError, type InputIssue } from '../errors';
import { parseInput } from '../parseInput';
import type { AskedByText } from './replies/replyTasks';
import { keyOf } from './keyOf';
import { takeIn, type ItemToTake } from './takeIn';
import { ofItsDay } from './ofItsDay';
import { weekOf } from './viewEntry';

const day = calendarDaySchema();

const MOST_BOXES = 100;
const inputSchema = z.object({
  childId: z.coerce.number().int().positive(),
  /** Idempotency key of this sheet: sent twice, it is stored once. */
  entryId: z.uuid(),
  way: z.enum(ENTRY_WAYS),
  saidBy: z.string().trim().max(40).default(''),
  /** Free text of the slip or call; it belongs to the last day reported. */
  words: z.string().trim().max(2000).default(''),
  isQuestion: z.boolean().default(false),
  /** The printed version that was filled in; null for what came by another way. */
  log: z.coerce.number().int().positive().nullable().default(null),
  boxes: z
    .array(z.object({ taskId: z.coerce.number().int().positive(), doneOn: day, text: z.string().max(40) }))
    .min(1, 'empty')
    .max(MOST_BOXES, 'tooMany'),
  /** The last text of the family that this was typed from: with it, and those before, a person is through. */
  textId: z.coerce.number().int().positive().nullable().default(null),
});
type Input = z.output<typeof inputSchema>;

export interface Entered {
  readonly stored: number;
  /** True where words or letters of harm closed a task: somebody has to be told now. */
  readonly closed: boolean;
}

/**
 * Takes in a slip, a call or what a teacher said: all of it, or, where one box can't be taken, none. Each box is filed at the step of its own day. What has word
 * already is not counted twice: it is put right where it stands. Words of harm close what they stand beside, as they do by every way.
 * @throws AppError notFound, notAllowed, invalid with every issue as `task:day`
 */
export async function enterPaperLog(context: Context, actor: PersonActor, raw: unknown): Promise<Entered> {
  const input = parseInput(inputSchema, raw);
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    await lockForTyping(work, input.childId);
    const { child } = await requireChild(work, actor, input.childId, 'settleDecision');
    const today = calendarDayInZone(now, child.timeZone);
    const items = await itemsOf(work, input, child.familyLanguage, today, actor.personId);
    const stored = [...(await takeIn(work, context, items)).values()].filter(({ fresh }) => fresh);
    if (input.textId !== null) await settleTextsUpTo(work, child.id, input.textId, actor.personId, now);
    if (stored.length > 0)
      await recordChanges(work, now, [entryOf(actor, now, [child.id], 'report.entered', { count: stored.length, way: input.way })]);
    return { stored: stored.length, closed: stored.some(({ safetyWord }) => safetyWord) };
  });
}

/** @throws AppError invalid with every issue of every box */
async function itemsOf(work: Work, input: Input, familyLanguage: string, today: CalendarDay, enteredBy: number): Promise<ItemToTake[]> {
  const { childId, entryId, way, saidBy, words, isQuestion, log } = input;
  const boxes = [...input.boxes].filter(({ text }) => text.trim() !== '').sort((one, other) => (one.doneOn < other.doneOn ? -1 : 1));
  if (boxes.length === 0) throw new AppError('invalid', { issues: [{ path: 'boxes', code: 'empty' }] });
  // A slip has the letters of the family's own language; who types a call in uses those of the desk.
  const language = way === 'paper' ? languageOf(familyLanguage) : BASE_LANGUAGE;
  const week = await weekOf(work, childId, familyLanguage, [...new Set(boxes.map(({ doneOn }) => doneOn))], way === 'paper' ? log : null);
  const keys = new Map(boxes.map((box) => [box, keyOf(`${entryId} ${childId} ${box.taskId} ${box.doneOn}`)]));
  const own = await knownReportKeys(work, [...keys.values()]);
  const told = (await reportLog(work, childId, { since: boxes[0]!.doneOn, most: 500 })).map(({ taskId, doneOn }) => `${taskId}:${doneOn}`);
  const hurt = hurtTasks(words, [...week.values()].flat(), boxes, today, language);
  const lastOf = new Map(boxes.map((box, index) => [box.taskId, index]));
  const issues: InputIssue[] = [];
  const items = boxes.flatMap((box, index): ItemToTake[] => {
    const path = `${box.taskId}:${box.doneOn}`;
    const refuse = (code: string) => {
      issues.push({ path, code });
      return [];
    };
    const task = week.get(box.doneOn)?.find(({ taskId }) => taskId === box.taskId);
    if (!task) return refuse('notInProgram');
    const idempotencyKey = keys.get(box)!;
    if (told.includes(path) && !own.has(idempotencyKey)) return refuse('toldAlready');
    const read = readCell(box.text, task, box.doneOn, language);
    if (read.kind !== 'read') return refuse(read.kind === 'issue' ? read.issue.code : 'empty');
    const isLast = index === boxes.length - 1;
    const { taskId: _taskId, ...said } = read.item;
    // Words of harm stand on the last box of every task that may have hurt; all others on the last box.
    const isTold = hurt ? hurt.has(task.taskId) && lastOf.get(task.taskId) === index : isLast;
    const facts = { ...said, isQuestion: isQuestion && isLast, words: isTold ? words : '', saidBy };
    const item = ofItsDay({ childId, task, facts, idempotencyKey, origin: { way, enteredBy }, today });
    return 'code' in item ? refuse(item.code) : [item];
  });
  if (issues.length > 0) throw new AppError('invalid', { issues });
  return items;
}

/** The tasks that words of harm put on hold: the one that the clause with the harm names, else all that were filled in. Null where nothing hurt. */
function hurtTasks(
  words: string,
  tasks: readonly AskedByText[],
  boxes: Input['boxes'],
  today: CalendarDay,
  language: Language,
): ReadonlySet<number> | null {
  const { kind, named } = readReply(words, { tasks: [...new Map(tasks.map((task) => [task.taskId, task])).values()], today, language });
  if (kind !== 'danger') return null;
  const filled = new Set(boxes.map(({ taskId }) => taskId));
  return named.length > 0 && named.every((taskId) => filled.has(taskId)) ? new Set(named) : filled;
}
