import { daysBetween, weekdayOf, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/students';
import { doseAt } from '@/core/dose';
import { demandsOf, restOf, type ProgramVersion } from '@/core/programs';
import { codeLettersOf } from '@/core/replies';
import { languageOf } from '@/core/text';
import { currentVersions, inTransaction, openStops, versionHolding } from '@/db';
import type { PersonActor } from '@/server/actor';
import type { Context } from '@/server/context';
import { AppError } from '@/server/errors';
import { enterPaperLog } from '@/server/reports/enterPaperLog';
import { addressOf } from '@/server/ports';
import { askedByText } from '@/server/reports/replies/replyTasks';
import { receiveText } from '@/server/reports/replies/receiveText';
import { keyOf } from '@/server/reports/keyOf';
import { submitReport } from '@/server/reports/submitReport';
import { chanceOf } from './chanceOf';
import { WAY_OF, type DemoChild } from './children';
import { lastPlannedBefore, practiceOn, type AskedTask, type FamilyState, type Practice } from './family';
import { asCell, asForm, asText } from './told';

/** A family of the demo between two days. */
export interface DemoFamily {
  readonly child: Child;
  readonly demo: DemoChild;
  readonly index: number;
  readonly state: FamilyState;
  /** Practice on the slip that has not come in yet. */
  readonly slip: readonly Practice[];
}

/** The place and the people that days are lived in. */
export interface Living {
  readonly context: Context;
  /** Therapist who types in the paper logs. */
  readonly therapist: PersonActor;
  /** The day on which the families began. */
  readonly begun: CalendarDay;
  /** The day up to which the demo is lived at first: what a family tells once, it tells just before. */
  readonly firstEnd: CalendarDay;
}

/**
 * Lives one day of the families: those who practice report it in their own way, through the endpoints that real families use: form
 * of the link, text, slip.
 * @returns the families as they are after it
 */
export async function liveDay(living: Living, families: readonly DemoFamily[], day: CalendarDay): Promise<DemoFamily[]> {
  const { context, begun, firstEnd } = living;
  const asked = await askedOn(context, families, day);
  const week = Math.floor(daysBetween(begun, day) / 7);
  const lived = families.map((family): { family: DemoFamily; practices: readonly Practice[]; version: ProgramVersion | null } => {
    const { version, tasks } = asked.get(family.child.id) ?? { version: null, tasks: [] };
    const { demo, index } = family;
    const storyDay = lastPlannedBefore(tasks, firstEnd);
    const isToday = day === firstEnd;
    // After the first end life goes on as before.
    const given = { demo, index, tasks, day, week, isToday, storyDay: day > firstEnd ? null : storyDay };
    const { practices, state } = practiceOn(given, family.state);
    const slip = WAY_OF[demo.kind] === 'paper' ? [...family.slip, ...practices] : [];
    return { family: { ...family, state, slip }, practices, version };
  });
  const by = (way: string) => lived.filter(({ family, practices }) => WAY_OF[family.demo.kind] === way && practices.length > 0);
  await Promise.all(by('link').map(({ family, practices, version }) => tellByLink(context, family, practices, version!)));
  for (const { family, practices, version } of by('text')) await tellByText(context, family, practices, version!, day);
  return handIn(
    living,
    lived.map(({ family }) => family),
    day,
  );
}

interface Asked {
  readonly version: ProgramVersion;
  readonly tasks: readonly AskedTask[];
}

/** Returns the tasks that each family's program asks for on a day; none where it is paused or over. */
async function askedOn({ db }: Context, families: readonly DemoFamily[], day: CalendarDay): Promise<Map<number, Asked>> {
  const childIds = families.map(({ child }) => child.id);
  return inTransaction(db, async (work) => {
    const current = await currentVersions(work, childIds);
    const closed = new Set((await openStops(work, childIds)).map(({ childId, taskId }) => `${childId}:${taskId}`));
    const asked = new Map<number, Asked>();
    for (const childId of childIds) {
      const newest = current.get(childId);
      const version = newest && newest.startsOn > day ? await versionHolding(work, childId, day) : newest;
      if (!version || version.startsOn > day || version.endsOn < day || restOf(version, day)) continue;
      const tasks = version.tasks.map((task) => ({
        taskId: task.taskId,
        step: task.step,
        demand: demandsOf(task.content)[task.step - 1]!,
        dose: doseAt(task.dose, task.step),
        weekdays: task.weekdays,
        isClosed: closed.has(`${childId}:${task.taskId}`),
      }));
      asked.set(childId, { version, tasks });
    }
    return asked;
  });
}

/** The link that stands in the newest text with one; null where none came yet. */
export async function linkOnPhone({ phone }: Context, childId: number): Promise<string | null> {
  const texts = await phone!.read(addressOf(childId));
  return texts.map(({ text }) => /https?:\/\/\S+\/f\/\S+/.exec(text)?.[0] ?? null).findLast((link) => link !== null) ?? null;
}

async function tellByLink(context: Context, { child }: DemoFamily, practices: readonly Practice[], version: ProgramVersion): Promise<void> {
  const link = await linkOnPhone(context, child.id);
  if (!link) return;
  for (const practice of practices) {
    const { versionTaskId } = version.tasks.find(({ taskId }) => taskId === practice.taskId)!;
    const key = keyOf(`demo ${child.id} ${practice.taskId} ${practice.doneOn}`);
    await submitReport(context, link.split('/f/')[1]!, asForm(practice, versionTaskId, key)).catch(orClosed);
  }
}

/** A link that somebody closed while the demo is tried opens nothing, for this family either. */
function orClosed(error: unknown): void {
  if (!(error instanceof AppError && error.code.startsWith('link'))) throw error;
}

async function tellByText(
  context: Context,
  { child }: DemoFamily,
  practices: readonly Practice[],
  version: ProgramVersion,
  day: CalendarDay,
): Promise<void> {
  const tasks = await inTransaction(context.db, (work) => askedByText(work, child.id, version, child.familyLanguage));
  const told = practices.map((practice) => {
    const { letter, title } = tasks.find(({ taskId }) => taskId === practice.taskId)!;
    return { practice, letter, title };
  });
  const luck = chanceOf('text', child.id, day)();
  const text = asText(told, codeLettersOf(languageOf(child.familyLanguage)), luck);
  await receiveText(context, { serviceKey: `demo-${child.id}-${day}`, from: addressOf(child.id), text });
}

const MONDAY = 1;
/** Every second paper family sends its slips every other week. */
const LATE_DAYS = 12;

/** On Mondays the slips of the weeks before come in and are typed. */
async function handIn({ context, therapist }: Living, families: readonly DemoFamily[], day: CalendarDay): Promise<DemoFamily[]> {
  const after: DemoFamily[] = [];
  for (const family of families) {
    const { child, index, slip } = family;
    const before = slip.filter(({ doneOn }) => doneOn < day);
    const isLate = index % 24 === 17 && before.length > 0 && daysBetween(before[0]!.doneOn, day) < LATE_DAYS;
    if (weekdayOf(day) !== MONDAY || before.length === 0 || isLate) {
      after.push(family);
      continue;
    }
    const letters = codeLettersOf(languageOf(child.familyLanguage));
    await enterPaperLog(context, therapist, {
      childId: child.id,
      entryId: keyOf(`demo slip ${child.id} ${day}`),
      way: 'paper',
      words: before.findLast(({ words, done }) => done && words !== '')?.words ?? '',
      // The person typing sees the paper: numbers far from the target are confirmed.
      boxes: before.map((practice) => ({ taskId: practice.taskId, doneOn: practice.doneOn, text: `${asCell(practice, letters)}!` })),
    });
    after.push({ ...family, slip: slip.filter(({ doneOn }) => doneOn >= day) });
  }
  return after;
}
