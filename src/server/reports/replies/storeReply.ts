import type { CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/students';
import { readReply, type ReplyItem } from '@/core/replies';
import { checkSession, type SessionFacts } from '@/core/reports';
import { languageOf, plain } from '@/core/text';
import { versionHolding, type Work } from '@/db';
import type { Context } from '../../context';
import { keyOf } from '../keyOf';
import { takeIn, type ItemToTake } from '../takeIn';
import { askedByText, type AskedByText } from './replyTasks';

export interface Taking {
  readonly textId: number;
  readonly serviceKey: string;
  readonly child: Child;
  readonly saidBy: string;
  readonly today: CalendarDay;
  readonly tasks: readonly AskedByText[];
  readonly isFromSchool?: boolean;
}

/** Files what was read: each of its day, at that day's step, under a key of its own, so that a text that is read twice is filed once. */
export async function store(
  work: Work,
  context: Context,
  { textId, serviceKey, child, saidBy, today, tasks, isFromSchool = false }: Taking,
  items: readonly ReplyItem[],
  { words, isDanger, isQuestion = false }: { words: string; isDanger: boolean; isQuestion?: boolean },
): Promise<void> {
  const byDay = new Map<CalendarDay, readonly AskedByText[]>([[today, tasks]]);
  for (const { doneOn } of items) {
    const version = byDay.has(doneOn) ? null : await versionHolding(work, child.id, doneOn);
    if (version) byDay.set(doneOn, await askedByText(work, child.id, version, child.familyLanguage));
  }
  const toTake = items.map((item, index): ItemToTake => {
    const of = (asked: readonly AskedByText[] | undefined) => asked?.find(({ taskId }) => taskId === item.taskId);
    // Yesterday's practice was at the step of yesterday.
    const task = (of(byDay.get(item.doneOn)) ?? of(tasks))!;
    const { taskId: _taskId, ...said } = item;
    const facts: SessionFacts = {
      ...said,
      step: task.step,
      safetyWord: isDanger,
      press: null,
      // A question is stored once, however many tasks stand beside it.
      isQuestion: isQuestion && index === 0,
      words: isDanger || index === 0 ? words : '',
      saidBy,
    };
    const { step, takesHalves, versionTaskId, taskId } = task;
    const judged = checkSession(facts, { today, step, chooseFrom: step, chooseTo: step, takesHalves });
    if (!judged.ok) throw new Error(`A reply was read as what no report may be: ${judged.issues.map(({ code }) => code).join(', ')}`);
    return {
      idempotencyKey: keyOf(`${serviceKey} ${child.id} ${taskId} ${item.doneOn}`),
      childId: child.id,
      versionTaskId,
      taskId,
      facts: judged.value,
      origin: isFromSchool ? { way: 'teacher', incomingId: textId } : { way: 'text', incomingId: textId },
    };
  });
  if (toTake.length > 0) await takeIn(work, context, toTake);
}

function hurt({ taskId }: AskedByText, doneOn: CalendarDay): ReplyItem {
  const nothing = { left: null, right: null, amount: null, minutes: null, help: null, effort: null, stopReason: null };
  return { taskId, doneOn, done: true, ...nothing };
}

export interface DangerSaid {
  /** True for a report by a teacher's link: the family sees that the school reported it. */
  readonly isFromSchool?: boolean;
  readonly child: Child;
  readonly today: CalendarDay;
  readonly text: string;
  readonly textId: number;
  readonly serviceKey: string;
  readonly saidBy: string;
}

/** Puts on hold the task that the clause with the harm names, else everything that the family has. Gives back what was put on hold. */
export async function closeForDanger(work: Work, context: Context, said: DangerSaid): Promise<AskedByText[]> {
  const { child, today, text } = said;
  const version = await versionHolding(work, child.id, today);
  const all = version ? await askedByText(work, child.id, version, child.familyLanguage) : [];
  const { named } = readReply(withoutName(text, child), { tasks: all, today, language: languageOf(child.familyLanguage) });
  const about = all.filter(({ taskId }) => named.length === 0 || named.includes(taskId));
  const items = about.map((task) => hurt(task, today));
  await store(work, context, { ...said, tasks: all }, items, { words: text, isDanger: true });
  return about;
}

/** A text without the child's called name: it is no word of the reply. */
export function withoutName(text: string, { calledName }: Child): string {
  const wanted = plain(calledName);
  return text
    .split(/(\s+)/)
    .filter((part) => plain(part).replace(/[^\p{L}\p{N}]+/gu, '') !== wanted)
    .join('');
}
