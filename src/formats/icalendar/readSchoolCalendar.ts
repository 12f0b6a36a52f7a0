import ICAL from 'ical.js';
import { addDays, parseCalendarDay, type CalendarDay } from '@/core/calendar';

/** A span of whole days in a school's calendar file, as it will be asked about. */
export interface CalendarSpan {
  readonly name: string;
  readonly from: CalendarDay;
  /** included */
  readonly to: CalendarDay;
  /** Meaning that its name suggests; a person decides. */
  readonly guess: 'break' | 'firstDay' | 'lastDay' | 'other';
}

export type CalendarFileFault = { readonly code: 'noCalendar' } | { readonly code: 'tooLarge' } | { readonly code: 'noWholeDays' };

const MOST_LETTERS = 2_000_000;
const MOST_SPANS = 400;
/** Three school years of a busy school. Our own choice. */
const MOST_EVENTS = 3_000;
/** Events more frequent than daily are no days off. */
const TOO_OFTEN = new Set(['SECONDLY', 'MINUTELY', 'HOURLY']);
/** A yearly thing without an end is looked at for as long as a school year. */
const MOST_TIMES = 60;

const FREE = /\b(no school|no classes|closed|holiday|break|recess|vacation|in-?service|professional|teacher work|non-?student)\b/i;
const FIRST = /\b(first day|school (begins|starts)|classes begin)\b/i;
const LAST = /\b(last day|school ends|classes end)\b/i;

/**
 * Reads the whole-day events of an iCalendar file (RFC 5545), repeated ones day by day; what has an hour is no day off and is left out.
 * Nothing is decided: each span is a guess that a person takes or leaves.
 * @param text the file
 */
export function readSchoolCalendar(text: string): { ok: true; spans: CalendarSpan[] } | { ok: false; fault: CalendarFileFault } {
  if (text.length > MOST_LETTERS) return { ok: false, fault: { code: 'tooLarge' } };
  if ((text.match(/^BEGIN:VEVENT/gim) ?? []).length > MOST_EVENTS) return { ok: false, fault: { code: 'tooLarge' } };
  let spans: CalendarSpan[];
  try {
    const events = calendarsIn(ICAL.parse(text) as unknown[]).flatMap((calendar) =>
      calendar.getAllSubcomponents('vevent').map(
        (event) =>
          // Without its exceptions, which would be looked for among all others: one file would hold the server for minutes.
          new ICAL.Event(event, { exceptions: [] }),
      ),
    );
    spans = events.flatMap(spansOf).slice(0, MOST_SPANS);
  } catch {
    return { ok: false, fault: { code: 'noCalendar' } };
  }
  if (spans.length === 0) return { ok: false, fault: { code: 'noWholeDays' } };
  return { ok: true, spans: spans.sort((a, b) => a.from.localeCompare(b.from)) };
}

/** A file may hold one calendar or several. */
function calendarsIn(parsed: unknown[]): ICAL.Component[] {
  const many = Array.isArray(parsed[0]) ? (parsed as unknown[][]) : [parsed];
  return many.map((each) => new ICAL.Component(each as ConstructorParameters<typeof ICAL.Component>[0]));
}

function spansOf(event: ICAL.Event): CalendarSpan[] {
  if (!event.startDate?.isDate) return [];
  const name = (event.summary ?? '').trim().slice(0, 60) || 'Without a name';
  const guess = FIRST.test(name) ? 'firstDay' : LAST.test(name) ? 'lastDay' : FREE.test(name) ? 'break' : 'other';
  // The end of a whole-day event is the day after it (RFC 5545, 3.6.1); without one it is that day alone.
  const days = Math.max(1, Math.round(event.duration.toSeconds() / 86_400));
  return startsOf(event).flatMap((start) => {
    const from = parseCalendarDay(start.toString().slice(0, 10));
    return from ? [{ name, from, to: addDays(from, days - 1), guess }] : [];
  });
}

function startsOf(event: ICAL.Event): ICAL.Time[] {
  if (!event.isRecurring()) return [event.startDate];
  const rule = event.component.getFirstPropertyValue('rrule') as ICAL.Recur | null;
  if (rule && TOO_OFTEN.has(rule.freq)) return [event.startDate];
  const iterator = event.iterator();
  const starts: ICAL.Time[] = [];
  for (let next = iterator.next(); next && starts.length < MOST_TIMES; next = iterator.next()) starts.push(next);
  return starts;
}
