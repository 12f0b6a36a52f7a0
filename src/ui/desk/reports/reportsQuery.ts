import { parseCalendarDay } from '@/core/calendar';
import { REPORT_WAYS } from '@/core/reports';
import type { ReportsQuery } from '@/server/reports/viewReports';

const ONLY = ['hurt', 'question', 'corrected'] as const;
const MOST_LETTERS = 80;

/** Reads the query of the report list from the address; unknown values are ignored. */
export function reportsQuery(address: Readonly<Record<string, string | string[] | undefined>>): ReportsQuery {
  const text = (key: string) => (typeof address[key] === 'string' ? address[key].slice(0, MOST_LETTERS) : '');
  const before = Number(text('before'));
  return {
    search: text('search'),
    words: text('words'),
    way: REPORT_WAYS.find((way) => way === text('way')) ?? null,
    only: ONLY.find((each) => each === text('only')) ?? null,
    since: parseCalendarDay(text('since')),
    until: parseCalendarDay(text('until')),
    beforeId: Number.isSafeInteger(before) && before > 0 ? before : null,
  };
}

/** The address of the same wish with something changed; an empty value leaves it out. */
export function reportsAddress(options: ReportsQuery, change: Partial<Record<keyof ReportsQuery, string | number | null>> = {}): string {
  const { beforeId, ...rest } = { ...options, ...change };
  const address = new URLSearchParams(
    Object.entries({ ...rest, before: beforeId }).flatMap(([key, value]) => (value ? [[key, String(value)]] : [])),
  );
  return `/reports${address.size > 0 ? `?${address}` : ''}`;
}
