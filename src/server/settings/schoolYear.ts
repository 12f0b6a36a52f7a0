import { z } from 'zod';
import { calendarDayInZone, parseCalendarDay, schoolYearSchema, type CalendarDay, type SchoolYear } from '@/core/calendar';
import { readSchoolCalendar, writeSchoolYear, type CalendarFileFault, type CalendarSpan } from '@/formats';
import {
  addSchoolYear,
  changeVisitDays,
  deleteSchoolYear,
  inTransaction,
  schoolCalendarOn,
  schoolNamed,
  schoolsHere,
  workplaceOf,
  type School,
} from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { may } from '../may';
import { parseInput } from '../parseInput';

export interface YearView {
  readonly today: CalendarDay;
  readonly year: SchoolYear | null;
  readonly schools: readonly School[];
  readonly mayChange: boolean;
}

/** The school year of today, or the latest one, and the schools with the days on which they are visited. */
export async function viewSchoolYear(context: Context, actor: PersonActor): Promise<YearView> {
  return inTransaction(context.db, async (work) => {
    const today = calendarDayInZone(context.now(), (await workplaceOf(work)).timeZone);
    const [year, schools] = [await schoolCalendarOn(work, today), await schoolsHere(work)];
    return { today, year, schools, mayChange: may(actor, null, 'changeWorkplace') };
  });
}

const VISIT_DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri'] as const;
const inputSchema = z.object({
  /** The first day that the year had before; null for a new year. */
  before: z.string().nullable(),
  year: schoolYearSchema,
  schools: z
    .array(z.object({ name: z.string().trim().min(1, 'nameShort').max(80, 'tooMuch'), visitDays: z.array(z.enum(VISIT_DAYS)) }))
    .max(60),
});

/** The year as it was edited, all or nothing. @throws AppError notAllowed, invalid with the place of what is wrong */
export async function setSchoolYear(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'changeWorkplace');
  const { before, year, schools } = parseInput(inputSchema, raw);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const old = before === null ? null : parseCalendarDay(before);
    if (old) await deleteSchoolYear(work, old);
    await addSchoolYear(work, year);
    for (const { name, visitDays } of schools) {
      const days = VISIT_DAYS.filter((day) => visitDays.includes(day)).join(', ');
      await changeVisitDays(work, await schoolNamed(work, name), days);
    }
    await recordChanges(work, now, [entryOf(actor, now, [], 'year.changed')]);
  });
}

export type CalendarPreview =
  { readonly ok: true; readonly spans: readonly CalendarSpan[] } | { readonly ok: false; readonly fault: CalendarFileFault };

/** Previews the events of a school's calendar file; nothing is stored yet. @throws AppError notAllowed */
export function previewCalendar(actor: PersonActor, text: string): CalendarPreview {
  requireMay(actor, 'changeWorkplace');
  return readSchoolCalendar(text);
}

/** The school year of today, or the latest one, as an iCalendar file. @throws AppError notFound where none is set */
export async function schoolYearForFile(context: Context, actor: PersonActor): Promise<string> {
  const { year } = await viewSchoolYear(context, actor);
  if (!year) throw new AppError('notFound');
  return writeSchoolYear(year, context.now());
}
