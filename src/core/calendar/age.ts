import { daysBetween, type CalendarDay } from './calendarDay';

export interface Age {
  readonly years: number;
  /** 0 to 11 */
  readonly months: number;
}

/**
 * Completed years and months of life. A month is complete on the same day of a later month; a child born on the 31st
 * completes a shorter month on the first day of the next one (2019-01-31 is 0 y 0 m old on 2019-02-28).
 * @throws RangeError for a day before birth.
 * @example ageOn('2018-08-15', '2026-03-03') // { years: 7, months: 6 }
 */
export function ageOn(birth: CalendarDay, day: CalendarDay): Age {
  if (daysBetween(birth, day) < 0) throw new RangeError(`${day} is before the birth on ${birth}`);
  const [birthYear, birthMonth, birthDay] = parts(birth);
  const [year, month, dayOfMonth] = parts(day);
  const completed = (year - birthYear) * 12 + (month - birthMonth) - (dayOfMonth < birthDay ? 1 : 0);
  return { years: Math.floor(completed / 12), months: completed % 12 };
}

function parts(day: CalendarDay): [number, number, number] {
  return [Number(day.slice(0, 4)), Number(day.slice(5, 7)), Number(day.slice(8, 10))];
}
