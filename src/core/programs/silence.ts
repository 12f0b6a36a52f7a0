import { daysBetween, type CalendarDay } from '../calendar';
import { isActiveOn, type VersionDays } from './askedOn';
import type { ProgramVersion } from './programVersion';

/** From so many days without a report a student counts as one without reports. Common practice, no source. */
export const SILENCE_DAYS = 7;

/** From so many days before its last day a program counts as ending. Common practice, no source. */
export const ENDING_DAYS = 5;

type Sent = Pick<ProgramVersion, 'startsOn' | 'sentOn' | 'resumesOn'>;

/**
 * The day from which days without a report count: the last report; where none has come since the program began or a pause
 * ended, that day, since before it none could come; where none ever came, the day of sending if that was later.
 */
export function silentSince({ startsOn, sentOn, resumesOn }: Sent, lastReportOn: CalendarDay | null): CalendarDay {
  const begun = resumesOn !== null && resumesOn > startsOn ? resumesOn : startsOn;
  const least = lastReportOn ?? sentOn;
  return least > begun ? least : begun;
}

/** Days without a report, from 0; null where no report is expected: no program, not begun, paused, or over. */
export function daysWithoutReport(
  version: (VersionDays & Sent) | null | undefined,
  lastReportOn: CalendarDay | null,
  today: CalendarDay,
): number | null {
  if (!version || !isActiveOn(version, today)) return null;
  return Math.max(0, daysBetween(silentSince(version, lastReportOn), today));
}

/** True where a program's last day is at most `ENDING_DAYS` away, or has passed, and no person ended it. */
export function isEnding({ endsOn, isEnded }: Pick<VersionDays, 'endsOn' | 'isEnded'>, today: CalendarDay): boolean {
  return !isEnded && daysBetween(today, endsOn) <= ENDING_DAYS;
}
