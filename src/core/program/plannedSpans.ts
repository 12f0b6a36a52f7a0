import type { PlannedSpan } from '../adherence';
import { addDays, type CalendarDay } from '../calendar';

/** A version as far as planning goes; `tasks` as in `PlannedSpan`. */
export interface SentVersion {
  readonly number: number;
  readonly startsOn: CalendarDay;
  readonly endsOn: CalendarDay;
  readonly sentOn: CalendarDay;
  readonly resumesOn: CalendarDay | null;
  readonly isEnded: boolean;
  readonly tasks: PlannedSpan['tasks'];
}

/** The first day on which a version can hold: its start, but not before it was sent. */
function beginningOf({ startsOn, sentOn }: Pick<SentVersion, 'startsOn' | 'sentOn'>): CalendarDay {
  return startsOn > sentOn ? startsOn : sentOn;
}

/**
 * The days for which each version held, as the family's page shows them: from its beginning to its end, or to the day
 * before the next one begins. A version sent ahead leaves the one before it in force until its start; one that rests asks for
 * nothing till it goes on, and one that a person ended for nothing at all.
 */
export function plannedSpans(versions: readonly SentVersion[]): PlannedSpan[] {
  const ordered = [...versions].sort((a, b) => a.number - b.number);
  return ordered.flatMap((version, index) => {
    if (version.isEnded) return [];
    const later = ordered.slice(index + 1).map((next) => addDays(beginningOf(next), -1));
    const to = later.reduce((earliest, day) => (day < earliest ? day : earliest), version.endsOn);
    const from = beginningOf(version);
    return [{ from: version.resumesOn !== null && version.resumesOn > from ? version.resumesOn : from, to, tasks: version.tasks }];
  });
}
