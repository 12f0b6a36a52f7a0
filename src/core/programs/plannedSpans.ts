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
  const spans: PlannedSpan[] = [];
  /** When the first of the later versions begins. */
  let next: CalendarDay | null = null;
  for (const version of [...versions].sort((a, b) => b.number - a.number)) {
    const begins = beginningOf(version);
    if (!version.isEnded) {
      const { resumesOn, endsOn, tasks } = version;
      const lastBefore: CalendarDay = next === null ? endsOn : addDays(next, -1);
      const from = resumesOn !== null && resumesOn > begins ? resumesOn : begins;
      spans.push({ from, to: lastBefore < endsOn ? lastBefore : endsOn, tasks });
    }
    if (next === null || begins < next) next = begins;
  }
  return spans.reverse();
}
