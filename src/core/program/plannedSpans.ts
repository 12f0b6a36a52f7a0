import { addDays, type CalendarDay } from '../calendar';
import type { PlannedSpan } from '../adherence';

/** A version as far as planning goes; `tasks` as in `PlannedSpan`. */
export interface SentVersion {
  readonly number: number;
  readonly startsOn: CalendarDay;
  readonly endsOn: CalendarDay;
  readonly sentOn: CalendarDay;
  readonly tasks: PlannedSpan['tasks'];
}

/** The days for which each version held: from its start (not before it was sent) until its end or the day before the next was sent. */
export function plannedSpans(versions: readonly SentVersion[]): PlannedSpan[] {
  const ordered = [...versions].sort((a, b) => a.number - b.number);
  return ordered.map((version, index) => {
    const next = ordered[index + 1];
    const from = version.startsOn > version.sentOn ? version.startsOn : version.sentOn;
    const dayBeforeNext = next ? addDays(next.sentOn, -1) : version.endsOn;
    return { from, to: dayBeforeNext < version.endsOn ? dayBeforeNext : version.endsOn, tasks: version.tasks };
  });
}
