import { MILLISECONDS_PER_DAY } from './calendarDay';
import { MILLISECONDS_PER_MINUTE, instant, type Instant } from './instant';

/** Wall times of a day as `HH:MM`, between which nothing goes out; the end may lie on the next day. */
export interface QuietHours {
  readonly from: string;
  readonly to: string;
}

const formats = new Map<string, Intl.DateTimeFormat>();

/** The wall time in a zone at a moment, as `HH:MM`. @throws RangeError for an unknown zone */
export function wallTimeIn(moment: Instant, zone: string): string {
  let format = formats.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
    formats.set(zone, format);
  }
  return format.format(new Date(moment));
}

/** True where a wall time lies in the quiet hours: the beginning is in, the end is not. */
export function isQuiet(time: string, { from, to }: QuietHours): boolean {
  return from <= to ? time >= from && time < to : time >= from || time < to;
}

/**
 * The moment itself, or the first whole minute after the quiet hours that it lies in, by the clock on the family's wall: also where the
 * clocks are changed that night. Quiet hours that never end (from = to) are none.
 * @throws RangeError for an unknown zone
 * @example afterQuiet(at('2026-11-25 22:10 Denver'), 'America/Denver', { from: '20:00', to: '07:00' }) // 07:00 the next morning
 */
export function afterQuiet(moment: Instant, zone: string, quiet: QuietHours | null): Instant {
  if (!quiet || quiet.from === quiet.to || !isQuiet(wallTimeIn(moment, zone), quiet)) return moment;
  let later = instant(Math.ceil((moment + 1) / MILLISECONDS_PER_MINUTE) * MILLISECONDS_PER_MINUTE);
  // A wall clock may jump over the end, never over a whole day.
  const end = moment + 2 * MILLISECONDS_PER_DAY;
  for (let wall = wallTimeIn(later, zone); later < end && isQuiet(wall, quiet); wall = wallTimeIn(later, zone))
    later = instant(later + minutesToSkip(wall, quiet.to) * MILLISECONDS_PER_MINUTE);
  return later;
}

/** No clock is changed by more at once. */
const MOST_MINUTES_CHANGED = 120;
const MINUTES_PER_DAY = 24 * 60;

/** Minutes that may be skipped on the way to a wall time without missing a change of the clock just before it; 1 where it is near. */
function minutesToSkip(wall: string, time: string): number {
  const minutes = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3));
  const until = (minutes(time) - minutes(wall) + MINUTES_PER_DAY) % MINUTES_PER_DAY;
  return Math.max(1, until - MOST_MINUTES_CHANGED);
}

/**
 * The next moment, not before `from`, at which a wall clock shows a time on one of the weekdays.
 * @param weekdays ISO weekdays, at least one
 * @throws RangeError for an unknown zone, or where there is no such day
 */
export function nextWallTime(from: Instant, zone: string, time: string, weekdays: readonly number[]): Instant {
  if (weekdays.length === 0) throw new RangeError('There is no weekday to wait for');
  const weekdayIn = new Intl.DateTimeFormat('en-US', { timeZone: zone, weekday: 'short' });
  const isDay = (moment: Instant) => weekdays.includes(WEEKDAYS.indexOf(weekdayIn.format(new Date(moment))) + 1);
  let moment = instant(Math.ceil(from / MILLISECONDS_PER_MINUTE) * MILLISECONDS_PER_MINUTE);
  const end = from + 9 * MILLISECONDS_PER_DAY;
  while (moment < end) {
    const wall = wallTimeIn(moment, zone);
    if (wall === time && isDay(moment) && !isRepeated(moment, zone)) return moment;
    // A time that the clock jumps over that night: the first minute after it.
    if (wall > time && isDay(moment) && wallTimeIn(instant(moment - MILLISECONDS_PER_MINUTE), zone) < time) return moment;
    moment = instant(moment + minutesToSkip(wall, time) * MILLISECONDS_PER_MINUTE);
  }
  throw new RangeError(`No ${time} on ${weekdays.join(', ')} in ${zone}`);
}

/** Offsets by which clocks are set back: an hour nearly everywhere. */
const SET_BACK = [30 * MILLISECONDS_PER_MINUTE, 60 * MILLISECONDS_PER_MINUTE];

/** True where the wall clock showed this very time a little earlier, since it was set back in between. */
function isRepeated(moment: Instant, zone: string): boolean {
  return SET_BACK.some((by) => wallTimeIn(instant(moment - by), zone) === wallTimeIn(moment, zone));
}

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
