import { weekdayOf, type CalendarDay } from '../calendar';
import type { ProgramVersion } from './programVersion';
import { restOf } from './restOf';

/** The days of a version: from its start to its end, both included, unless a person paused or ended it. */
export type VersionDays = Pick<ProgramVersion, 'startsOn' | 'endsOn' | 'isEnded' | 'resumesOn'>;

/**
 * True where a version asks for practice on a day, whatever the weekday: it has started, its last day has not passed, and no
 * person ended or paused it.
 * @example isActiveOn({ startsOn: '2026-10-01', endsOn: '2026-10-28', isEnded: false, resumesOn: '2026-10-12' }, '2026-10-11') // false
 */
export function isActiveOn(version: VersionDays | null | undefined, day: CalendarDay): boolean {
  return !!version && version.startsOn <= day && day <= version.endsOn && restOf(version, day) === null;
}

/** True where a version asks for practice on at least one of the days from `from` to `to`, both included. */
export function isActiveIn(version: VersionDays | null | undefined, from: CalendarDay, to: CalendarDay): boolean {
  if (!version || version.startsOn > to || version.endsOn < from) return false;
  return isActiveOn(version, version.endsOn < to ? version.endsOn : to);
}

interface Ids {
  has(taskId: number): boolean;
}

const NONE: Ids = new Set<number>();

/**
 * The tasks that a version asks of a student on a day, in their order: those planned for the weekday, while the version is
 * active, without those on hold.
 * @param onHold ids of the tasks that are on hold
 */
export function askedOn<Task extends { readonly taskId: number; readonly weekdays: readonly number[] }>(
  version: (VersionDays & { readonly tasks: readonly Task[] }) | null | undefined,
  day: CalendarDay,
  onHold: Ids = NONE,
): Task[] {
  if (!version || !isActiveOn(version, day)) return [];
  const weekday = weekdayOf(day);
  return version.tasks.filter(({ taskId, weekdays }) => weekdays.includes(weekday) && !onHold.has(taskId));
}
