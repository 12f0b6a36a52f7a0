import {
  MILLISECONDS_PER_DAY,
  calendarDayInZone,
  daysFromTo,
  instant,
  nextWallTime,
  weekdayOf,
  type CalendarDay,
  type Instant,
} from '@/core/calendar';
import { NO_REMINDERS } from '@/core/students';
import { doseAt, minutesOf } from '@/core/dose';
import { askedOn } from '@/core/programs';
import { childById, inReading, remindersOf, versionHolding } from '@/db';
import { writePracticeDays } from '@/formats';
import type { Context } from '../context';
import { AppError } from '../errors';
import { familyAddress } from '../messages/familyAddress';
import { familyOf } from '../reports/familyLink';
import { withheldOf } from './withheld';
import { hashOf } from '../secrets';

/**
 * The practice days of the program that runs, for a family's own calendar: each on its day at the hour that the family wishes, as long
 * as it takes. Empty while the practice rests.
 * @param summary what an entry says of things and minutes
 * @throws AppError link…
 */
export async function practiceCalendar(
  context: Context,
  token: string,
  summary: (things: number, minutes: number) => string,
): Promise<string> {
  return inReading(context.db, async (work) => {
    const now = context.now();
    const { actor } = await familyOf(work, token, now);
    const child = await childById(work, actor.childId);
    if (!child) throw new AppError('linkUnknown');
    const today = calendarDayInZone(now, child.timeZone);
    const version = await versionHolding(work, child.id, today);
    const withheld = await withheldOf(work, child, version, today);
    const asked = (day: CalendarDay) => askedOn(version, day, withheld);
    const minutes = (day: CalendarDay) =>
      Math.max(1, Math.ceil(asked(day).reduce((sum, { dose, step }) => sum + minutesOf(doseAt(dose, step)), 0)));
    const { at } = (await remindersOf(work, child.id)) ?? NO_REMINDERS;
    const days = version === null ? [] : daysFromTo(version.startsOn, version.endsOn);
    return writePracticeDays({
      key: hashOf(`practice ${child.id}`).slice(0, 24),
      now,
      address: familyAddress(context.origin, token),
      days: days
        .filter((day) => day >= today && asked(day).length > 0)
        .map((day) => ({ day, begins: wallTimeOn(day, child.timeZone, at), minutes: minutes(day) })),
      summary: ({ day, minutes }) => summary(asked(day).length, minutes),
    });
  });
}

/** The moment at which a wall clock of the zone shows the time on that very day. */
function wallTimeOn(day: CalendarDay, zone: string, time: string): Instant {
  let from = instant(Date.parse(`${day}T00:00:00Z`) - MILLISECONDS_PER_DAY);
  while (calendarDayInZone(from, zone) < day) from = instant(from + 3_600_000);
  return nextWallTime(from, zone, time, [weekdayOf(day)]);
}
