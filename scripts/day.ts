import { Temporal } from 'temporal-polyfill';
import { DEMO_TIME_ZONE } from '../demo/children';

const FORM = /^\d{4}-\d{2}-\d{2}(T\d{2}:\d{2})?$/;
const MORNING = 'T10:00';

/** The day that `--day` names, null where none is. @throws Error that says how a day is written */
export function dayFrom(words: readonly string[]): string | null {
  const place = words.indexOf('--day');
  if (place < 0) return null;
  const day = words[place + 1] ?? '';
  if (!FORM.test(day) || !exists(day))
    throw new Error(`"${day}" is not a date. Write --day 2028-02-29, or --day 2028-02-29T23:59 for a time on it.`);
  return day;
}

function exists(day: string): boolean {
  try {
    Temporal.PlainDateTime.from(day, { overflow: 'reject' });
    return true;
  } catch {
    return false;
  }
}

/** How far a clock runs from the machine's that stands at a day now: at ten in the morning, or at the minute named, at Tarrow Hill. */
export function shiftTo(day: string, now: number): number {
  const local = day.includes('T') ? day : `${day}${MORNING}`;
  return Temporal.PlainDateTime.from(local).toZonedDateTime(DEMO_TIME_ZONE).epochMilliseconds - now;
}

/** The shift that the processes of this run share. */
export function clockShift(): number {
  return Number(process.env.YARD_CLOCK_SHIFT ?? 0);
}
