import { addDays, calendarDay, mondayOf, type CalendarDay, type SchoolYear } from '@/core/calendar';

/** The school year of Tarrow Hill that a day lies in (from July on, the one that begins that summer). */
export function schoolYearOn(today: CalendarDay): SchoolYear {
  const year = Number(today.slice(0, 4)) - (Number(today.slice(5, 7)) < 7 ? 1 : 0);
  const monday = (monthAndDay: string, ofYear: number) => mondayOf(calendarDay(`${ofYear}-${monthAndDay}`));
  const week = (name: string, from: CalendarDay, days: number) => ({ name, from, to: addDays(from, days - 1) });
  return {
    firstDay: monday('08-20', year),
    lastDay: addDays(monday('06-08', year + 1), 4),
    breaks: [
      week('Autumn break', monday('10-12', year), 5),
      week('Late November break', addDays(monday('11-28', year), 2), 3),
      week('Winter break', monday('12-24', year), 14),
      week('Spring break', monday('03-24', year + 1), 5),
    ],
    periods: [
      { name: 'Autumn report', from: monday('08-20', year), to: addDays(monday('11-10', year), 4) },
      { name: 'Winter report', from: addDays(monday('11-10', year), 7), to: addDays(monday('03-01', year + 1), 4) },
      { name: 'Summer report', from: addDays(monday('03-01', year + 1), 7), to: addDays(monday('06-08', year + 1), 4) },
    ],
  };
}
