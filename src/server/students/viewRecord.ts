import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/students';
import { thingsOf } from '@/core/library';
import type { HomeMaterial } from '@/core/tasks';
import {
  childChangesOf,
  homeAnswerOf,
  inReading,
  latestTasks,
  schoolsHere,
  workplaceOf,
  type ChildChange,
  type HomeAnswer,
  type School,
} from '@/db';
import { requireChild, requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';

export interface RecordView {
  /** Null for a child that is about to be written down. */
  readonly child: Child | null;
  readonly today: CalendarDay;
  readonly schools: readonly School[];
  /** Languages that families are written to in. */
  readonly languages: readonly string[];
  readonly things: readonly HomeMaterial[];
  /** Latest first. */
  readonly history: readonly ChildChange[];
  readonly told: HomeAnswer | null;
}

const HISTORY = 40;

/** A child's facts as they are written down, with their history. @throws AppError notFound, notAllowed */
export async function viewRecord(context: Context, actor: PersonActor, childId: number): Promise<RecordView & { child: Child }> {
  const view = await inReading(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    return {
      child,
      today: calendarDayInZone(context.now(), child.timeZone),
      schools: await schoolsHere(work),
      languages: (await workplaceOf(work)).languages,
      things: thingsOf((await latestTasks(work)).map((task) => task.content)),
      history: await childChangesOf(work, childId, HISTORY),
      told: await homeAnswerOf(work, childId),
    };
  });
  await context.looks.note(entryOf(actor, context.now(), [childId], 'child.viewed'));
  return view;
}

/** Loads the choices of a new student's form. @throws AppError notAllowed */
export async function viewNewRecord(context: Context, actor: PersonActor): Promise<RecordView> {
  requireMay(actor, 'addChildren');
  return inReading(context.db, async (work) => {
    const { timeZone, languages } = await workplaceOf(work);
    const things = thingsOf((await latestTasks(work)).map((task) => task.content));
    const today = calendarDayInZone(context.now(), timeZone);
    return { child: null, today, schools: await schoolsHere(work), languages, things, history: [], told: null };
  });
}
