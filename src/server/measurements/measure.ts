import { z } from 'zod';
import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/students';
import { measurementSchema } from '@/core/measurements';
import type { ProgramTask } from '@/core/programs';
import {
  addMeasurement,
  currentVersions,
  goalsOf,
  inTransaction,
  measurementsOf,
  withdrawMeasurement,
  type Goal,
  type Measured,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid, parseInput } from '../parseInput';

export interface MeasureView {
  readonly child: Child;
  readonly today: CalendarDay;
  readonly goals: readonly Goal[];
  readonly tasks: readonly ProgramTask[];
  /** Earlier measurements, the latest day first. */
  readonly measured: readonly Measured[];
}

const SHOWN = 200;

/** Lists the goals and tasks of a student that can be measured, and earlier measurements. @throws AppError notFound, notAllowed */
export async function viewMeasure(context: Context, actor: PersonActor, childId: number): Promise<MeasureView> {
  const view = await inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    return {
      child,
      today: calendarDayInZone(context.now(), child.timeZone),
      goals: (await goalsOf(work, childId)).filter(({ closedOn }) => closedOn === null),
      tasks: (await currentVersions(work, [childId])).get(childId)?.tasks ?? [],
      measured: await measurementsOf(work, childId, SHOWN),
    };
  });
  await context.looks.note(entryOf(actor, context.now(), [childId], 'child.viewed'));
  return view;
}

const envelopeSchema = z.object({ childId: z.coerce.number().int().positive(), entryKey: z.uuid(), measurement: z.unknown() });

/**
 * Writes down what somebody saw or measured themselves. It stands apart from what families say, and is no evidence for the rules, which ask of practice at home.
 * @throws AppError notFound, notAllowed, invalid with every issue by field
 */
export async function measure(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId, entryKey, measurement: given } = parseInput(envelopeSchema, raw);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const measurement = parseInput(measurementSchema, given);
    if (measurement.measuredOn > calendarDayInZone(now, child.timeZone)) throw invalid({ path: 'measuredOn', code: 'notAhead' });
    const { goalId, taskId, level } = measurement;
    const goal = goalId === null ? undefined : (await goalsOf(work, childId)).find(({ id }) => id === goalId);
    if (goalId !== null && !goal) throw new AppError('notFound');
    const of = goal?.content.measure;
    if (level !== null && (of?.kind !== 'rating' || level >= of.levels.length)) throw invalid({ path: 'level', code: 'noSuchLevel' });
    const tasks = (await currentVersions(work, [childId])).get(childId)?.tasks ?? [];
    if (taskId !== null && !tasks.some((task) => task.taskId === taskId)) throw new AppError('notFound');
    await addMeasurement(work, childId, measurement, { entryKey, by: actor.personId, at: now });
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'measurement.added')]);
  });
}

/** Takes back one's own measurement: it stands nowhere any more, and the trail says so. @throws AppError notFound, notAllowed */
export async function takeBack(context: Context, actor: PersonActor, childId: number, id: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    await requireChild(work, actor, childId, 'changeProgram');
    if (!Number.isSafeInteger(id) || !(await withdrawMeasurement(work, childId, id, actor.personId, now))) throw new AppError('notFound');
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'measurement.takenBack')]);
  });
}
