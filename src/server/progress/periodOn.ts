import type { CalendarDay, SchoolYear } from '@/core/calendar';

export type Period = SchoolYear['periods'][number];

/** The reporting period of a day: the one that it lies in, else the last one that is over. */
export function periodOn(year: SchoolYear | null, day: CalendarDay): Period | null {
  const periods = year?.periods ?? [];
  return periods.find(({ from, to }) => from <= day && day <= to) ?? periods.findLast(({ to }) => to < day) ?? null;
}
