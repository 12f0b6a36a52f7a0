import { z } from 'zod';
import { MILLISECONDS_PER_MINUTE, addDays, calendarDayInZone, instant, weekdayOf, type CalendarDay } from '@/core/calendar';
import { nameOf, namesChild, type Child, type Contact } from '@/core/students';
import { restOf } from '@/core/programs';
import { readAnswer, readReply, type AskBack, type ReplyItem } from '@/core/replies';
import { dangerIn } from '@/core/safety';
import { languageOf, plain } from '@/core/text';
import {
  addIncomingText,
  addJobs,
  addMessage,
  cameLately,
  childById,
  childrenWithContacts,
  inTransaction,
  openAskOf,
  openStops,
  reportLog,
  setOutcome,
  settleAsk,
  startNumber,
  stopNumber,
  versionHolding,
  workplaceOf,
  type TextOutcome,
  type Work,
} from '@/db';
import { recordChanges } from '../../audit/trail';
import type { Context } from '../../context';
import { deliverJob, strangerReplyJob } from '../../jobs/jobs';
import { replyWords } from '../../messages/textWords';
import { parseInput } from '../../parseInput';
import { addressOf } from '../../ports';
import { askWords, savedWords } from './answerWords';
import { senderOf } from './numbers';
import { askedByText, type AskedByText } from './replyTasks';
import { closeForDanger, store, withoutName } from './storeReply';

const MOST_LETTERS = 2_000;
/** Time in which a text counts as the answer to a question, in milliseconds. */
const ASK_HOURS = 24;
/** The very same words so soon after are a text that the network brought twice. */
const TWICE_MINUTES = 10;
const DAYS_LOOKED_BACK = 15;
const REPORTS_LOOKED_AT = 200;
const START = new Set(['start', 'unstop', 'empezar', 'inicio', 'alta']);

const textSchema = z.object({
  serviceKey: z
    .string()
    .min(1)
    .max(120)
    .regex(/^[\x21-\x7e]+$/),
  from: z.string().trim().min(1).max(120),
  text: z.string().transform((text) => [...text.replace(/(?![\n\t])[\p{Cc}\p{Surrogate}]/gu, '')].slice(0, MOST_LETTERS).join('')),
});

/** The sender, and the child the text is about. */
interface Sender {
  readonly from: string;
  readonly contact: Contact | null;
  readonly child: Child;
}

export interface ReceivedText {
  /** False where this very text had come in before. */
  readonly fresh: boolean;
  readonly outcome: TextOutcome | null;
}

/**
 * Takes a text in that a service brings: kept as it came, read, stored as reports where it can mean one thing only, answered. The same
 * key is the same text. Danger comes first; what cannot be told for sure is asked back once, then left to a person.
 * @throws AppError invalid
 */
export async function receiveText(context: Context, raw: unknown): Promise<ReceivedText> {
  const { serviceKey, from: given, text } = parseInput(textSchema, raw);
  const from = senderOf(given);
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const senders = await sendersOf(work, from);
    const named = senders.length > 1 ? senders.filter(({ child }) => namesChild(text, child)) : senders;
    const sender = named.length === 1 ? named[0]! : null;
    const about = sender ?? (senders.length > 0 ? senders[0]! : null);
    const textId = await addIncomingText(work, {
      serviceKey,
      childId: about?.child.id ?? null,
      fromAddress: from,
      text,
      receivedAt: now,
      issues: sender || senders.length === 0 ? [] : [{ code: 'whichChild', given: senders.map(({ child }) => nameOf(child)).join(', ') }],
      saidBy: about?.contact?.name ?? '',
    });
    if (textId === null) return { fresh: false, outcome: null };
    const isRepeat = await cameLately(work, from, text, instant(now - TWICE_MINUTES * MILLISECONDS_PER_MINUTE), textId);
    // The same "1" may answer a second question of ours.
    const isAnswer =
      about !== null && (await openAskOf(work, about.child.id, from, instant(now - TWICE_MINUTES * MILLISECONDS_PER_MINUTE))) !== null;
    const outcome =
      isRepeat && !isAnswer ? 'nothing' : await readAndAnswer(work, context, { textId, serviceKey, text, from, senders, sender });
    if (outcome !== 'asked') await setOutcome(work, textId, outcome, null);
    await recordChanges(work, now, [
      { at: now, personId: null, linkId: null, childIds: about ? [about.child.id] : [], action: 'text.cameIn', numbers: { outcome } },
    ]);
    return { fresh: true, outcome };
  });
}

interface Incoming {
  readonly textId: number;
  readonly serviceKey: string;
  readonly text: string;
  readonly from: string;
  readonly senders: readonly Sender[];
  /** Null where it may be about more than one child, or about none. */
  readonly sender: Sender | null;
}

async function readAndAnswer(work: Work, context: Context, incoming: Incoming): Promise<TextOutcome> {
  const { text, from, senders, sender } = incoming;
  const isStart = START.has(plain(text));
  const { kind } = readReply(text, {
    tasks: [],
    today: calendarDayInZone(context.now(), 'UTC'),
    language: languageOf(senders[0]?.child.familyLanguage),
  });
  if (kind === 'stop' || isStart) {
    if (senders.length > 0) await answer(work, context, senders[0]!, isStart ? 'started' : 'stopped', {});
    if (isStart) return (await startNumber(work, from)) ? 'started' : 'nothing';
    await stopNumber(work, from, context.now());
    return 'stopped';
  }
  // A number that opted out is still read and answered.
  if (sender) return aboutOne(work, context, incoming, sender);
  if (senders.length === 0) {
    if (dangerIn(text).length > 0) await tellStranger(work, context, from);
    return kind === 'nothing' ? 'nothing' : 'person';
  }
  if (dangerIn(text).length > 0) {
    // A possible injury is not followed by a question which child: tasks of both are put on hold.
    const outcomes: TextOutcome[] = [];
    for (const each of senders) outcomes.push(await aboutOne(work, context, incoming, each));
    return outcomes.includes('danger') ? 'danger' : 'person';
  }
  if (kind === 'nothing') return 'nothing';
  await answer(work, context, senders[0]!, 'person', {});
  return 'person';
}

/** Answers an unknown number that reports a possible injury: fixed words of whom to call, in the two languages most homes have. No child is named. */
async function tellStranger(work: Work, context: Context, from: string): Promise<void> {
  const { emergencyNumber, timeZone } = await workplaceOf(work);
  const said = await Promise.all(
    ['en', 'es'].map(async (language) => (await replyWords(language))('hurtUnknown', { number: emergencyNumber })),
  );
  const now = context.now();
  await addJobs(work, [strangerReplyJob({ from, text: said.join(' '), day: calendarDayInZone(now, timeZone) }, now)]);
}

async function aboutOne(work: Work, context: Context, { textId, serviceKey, text, from }: Incoming, sender: Sender): Promise<TextOutcome> {
  const { child } = sender;
  const now = context.now();
  const today = calendarDayInZone(now, child.timeZone);
  const version = await versionHolding(work, child.id, today);
  const all = version ? await askedByText(work, child.id, version, child.familyLanguage) : [];
  const closed = new Set((await openStops(work, [child.id])).map(({ taskId }) => taskId));
  const tasks = all.filter(({ taskId }) => !closed.has(taskId));
  const language = languageOf(child.familyLanguage);
  const own = withoutName(text, child);
  const reading = readReply(own, { tasks: all, today, language });
  const taking = { textId, serviceKey, child, saidBy: sender.contact?.name ?? '', today, tasks: all };
  if (reading.kind === 'danger') {
    const saidBy = sender.contact?.name ?? '';
    const about = await closeForDanger(work, context, { child, today, text, textId, serviceKey, saidBy });
    const { emergencyNumber } = await workplaceOf(work);
    const task = about.map(({ title }) => title).join(', ');
    await answer(work, context, sender, task ? 'hurt' : 'hurtUnknown', { task, number: emergencyNumber });
    // Without a task to put on hold, a person has to read it.
    return about.length > 0 ? 'danger' : 'person';
  }
  if (reading.kind === 'nothing') return 'nothing';
  const isOver = !version || version.startsOn > today || restOf(version, today)?.kind === 'ended';
  if (isOver || tasks.length === 0) return toPerson(work, context, sender);
  const asked = await openAskOf(work, child.id, from, instant(now - ASK_HOURS * 60 * MILLISECONDS_PER_MINUTE));
  const answered = asked && readAnswer(asked.ask as AskBack, own, { tasks, today, language });
  if (asked) await settleAsk(work, asked.textId, now);
  // Another word in place of an answer: what was in doubt is a person's now, not lost.
  if (asked && !answered) await setOutcome(work, asked.textId, 'person', null);
  const items = answered ?? (reading.named.length > 0 ? reading.items : ofTheDay(reading.items, tasks));
  const fits = await canStand(work, child, items, { closed, today });
  if (!fits) return toPerson(work, context, sender);
  if (answered || reading.kind === 'reports') {
    // An unclear text may hold free words that nobody has read yet.
    const asking = answered && asked ? readReply(asked.text, { tasks: all, today, language }) : null;
    const hasComment = asking ? asking.hasComment : reading.hasComment;
    const words = hasComment ? (asking ? `${asked!.text}\n${text}` : text) : '';
    await store(work, context, taking, items, { words, isDanger: false, isQuestion: (asking ?? reading).isQuestion });
    await say(work, context, sender, await savedWords(child.familyLanguage, items, tasks, hasComment));
    return 'taken';
  }
  // Asked once: what comes back and can't be read either goes to a person.
  if (reading.kind === 'ask' && reading.ask && !asked) {
    await store(work, context, taking, items, { words: reading.hasComment ? text : '', isDanger: false, isQuestion: reading.isQuestion });
    await setOutcome(work, textId, 'asked', reading.ask);
    await say(work, context, sender, await askWords(child.familyLanguage, reading.ask, tasks));
    return 'asked';
  }
  return toPerson(work, context, sender);
}

/** "All of it", "not today": what could be done and was planned on that day; of a day without a plan, what could be done at all. */
function ofTheDay(items: readonly ReplyItem[], tasks: readonly AskedByText[]): ReplyItem[] {
  const open = items.filter(({ taskId }) => tasks.some((task) => task.taskId === taskId));
  const planned = open.filter(({ taskId, doneOn }) => tasks.find((task) => task.taskId === taskId)!.weekdays.includes(weekdayOf(doneOn)));
  return planned.length > 0 ? planned : open;
}

/** False where a task is closed, a day lies before the program, or there is word of that day already: two words may be one, or two. */
async function canStand(
  work: Work,
  child: Child,
  items: readonly ReplyItem[],
  { closed, today }: { closed: ReadonlySet<number>; today: CalendarDay },
): Promise<boolean> {
  if (items.length === 0) return true;
  const known = await reportLog(work, child.id, { since: addDays(today, -DAYS_LOOKED_BACK), most: REPORTS_LOOKED_AT });
  return items.every(
    ({ taskId, doneOn }) =>
      !closed.has(taskId) && !known.some((report) => report.taskId === taskId && report.doneOn === doneOn && !report.mistake),
  );
}

async function toPerson(work: Work, context: Context, sender: Sender): Promise<TextOutcome> {
  await answer(work, context, sender, 'person', {});
  return 'person';
}

async function answer(
  work: Work,
  context: Context,
  sender: Sender,
  kind: Parameters<Awaited<ReturnType<typeof replyWords>>>[0],
  values: Readonly<Record<string, string>>,
): Promise<void> {
  await say(work, context, sender, (await replyWords(sender.child.familyLanguage))(kind, values));
}

/** To the very number that wrote, at once: also in quiet hours, since somebody is awake there. */
async function say(work: Work, context: Context, { child, contact }: Sender, words: string): Promise<void> {
  const now = context.now();
  const reach =
    contact && (contact.way === 'text' || contact.way === 'email') && contact.reach ? { way: contact.way, at: contact.reach } : undefined;
  const message = {
    childId: child.id,
    kind: 'answer' as const,
    words,
    createdBy: null,
    createdAt: now,
    sendAt: null,
    ...(reach && { reach }),
  };
  await addJobs(work, [deliverJob(await addMessage(work, message), now)]);
}

/** The children on whose contacts a number or an address stands; the pretend phone writes by its own name for a family. */
async function sendersOf(work: Work, from: string): Promise<Sender[]> {
  const senders: Sender[] = [];
  for (const { childId, contacts } of await childrenWithContacts(work)) {
    const contact = contacts.find(({ reach }) => reach !== '' && senderOf(reach) === from) ?? null;
    if (!contact && from !== addressOf(childId)) continue;
    const child = await childById(work, childId);
    if (child) senders.push({ from, contact, child });
  }
  return senders;
}
