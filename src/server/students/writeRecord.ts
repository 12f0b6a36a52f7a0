import { z } from 'zod';
import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { childRecordSchema, factChanges, type ChildRecord, type FactChange } from '@/core/students';
import type { TaskSettings } from '@/core/tasks';
import {
  addChild,
  addChildChange,
  changeRecordOf,
  childById,
  childChangesOf,
  currentVersions,
  giveAccess,
  inTransaction,
  lockChild,
  sameChildOf,
  schoolNamed,
  workplaceOf,
  type Work,
} from '@/db';
import { requireChild, requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid, parseInput } from '../parseInput';
import { stoppedTasksOf, type StoppedTask } from '../programs/stoppedTasks';

const schoolSchema = z.string().trim().min(1, 'noSchool').max(80, 'tooMuch');
const newChildSchema = z.object({ record: childRecordSchema, school: schoolSchema });

/** A child on the actor's caseload, who leads it. @throws AppError notAllowed, invalid; `alreadyThere` for the same name and birthday */
export async function newChild(context: Context, actor: PersonActor, raw: unknown): Promise<{ childId: number }> {
  requireMay(actor, 'addChildren');
  const { record, school } = parseInput(newChildSchema, raw);
  refuseUnborn(record, calendarDayInZone(context.now(), (await inTransaction(context.db, workplaceOf)).timeZone));
  return inTransaction(context.db, async (work) => {
    if ((await sameChildOf(work, actor.personId, record)) !== null) throw invalid({ path: 'record.calledName', code: 'alreadyThere' });
    return { childId: await takeOn(work, context, actor, record, school) };
  });
}

/** Writes a child down in the caller's transaction. Gives back its id. */
export async function takeOn(work: Work, context: Context, actor: PersonActor, record: ChildRecord, school: string): Promise<number> {
  const now = context.now();
  const { timeZone } = await workplaceOf(work);
  const taskSettings: TaskSettings = {};
  const childId = await addChild(work, { ...record, schoolId: await schoolNamed(work, school), timeZone, taskSettings }, now);
  await giveAccess(work, childId, actor.personId, 'lead');
  await recordChanges(work, now, [entryOf(actor, now, [childId], 'child.added')]);
  return childId;
}

const changeSchema = newChildSchema.extend({
  childId: z.number().int().positive(),
  /** The newest change that the writer saw, 0 where there was none: who was slower than another does not write over it. */
  seenChange: z.number().int().min(0),
});

export interface Changed {
  readonly changes: readonly FactChange[];
  /** Tasks of the running program that today's facts stop; each has its card in the review. */
  readonly stopped: readonly StoppedTask[];
}

/** A child's facts, all at once; what differs is kept with who and when. @throws AppError notFound, notAllowed, invalid, staleRecord */
export async function changeRecord(context: Context, actor: PersonActor, raw: unknown): Promise<Changed> {
  const { childId, record, school, seenChange } = parseInput(changeSchema, raw);
  return inTransaction(context.db, async (work) => {
    await requireChild(work, actor, childId, 'changeProgram');
    await lockChild(work, childId);
    const newest = (await childChangesOf(work, childId, 1))[0]?.id ?? 0;
    if (newest !== seenChange) throw new AppError('staleRecord');
    return writeRecord(work, context, actor, childId, record, school);
  });
}

/** Writes a child's facts in the caller's transaction, and says what follows for the running program. */
export async function writeRecord(
  work: Work,
  context: Context,
  actor: PersonActor,
  childId: number,
  record: ChildRecord,
  school: string,
): Promise<Changed> {
  const now = context.now();
  const before = (await childById(work, childId))!;
  const today = calendarDayInZone(now, before.timeZone);
  refuseUnborn(record, today);
  const moved: FactChange[] = school === before.school ? [] : [{ fact: 'school', before: before.school, after: school }];
  const changes = [...factChanges(before, record), ...moved];
  if (changes.length > 0) {
    await changeRecordOf(work, childId, record, await schoolNamed(work, school));
    await addChildChange(work, { childId, changes, changedBy: actor.personId, changedAt: now });
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'child.changed', { facts: changes.map(({ fact }) => fact).join(' ') })]);
  }
  const program = (await currentVersions(work, [childId])).get(childId);
  const after = (await childById(work, childId))!;
  return { changes, stopped: program ? stoppedTasksOf(after, program, today) : [] };
}

function refuseUnborn({ bornOn }: ChildRecord, today: CalendarDay): void {
  if (!isStudentsBirthday(bornOn, today)) throw invalid({ path: 'record.bornOn', code: 'notAChildsBirthday' });
}

/** False for a day that is still to come, and for one on which no student of today was born. */
export function isStudentsBirthday(bornOn: CalendarDay, today: CalendarDay): boolean {
  return bornOn < today && Number(today.slice(0, 4)) - Number(bornOn.slice(0, 4)) <= OLDEST;
}

/** Schools serve until 21 (IDEA, from memory); whoever was born earlier is a slip of the pen. */
const OLDEST = 22;
