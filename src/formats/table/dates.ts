import { format, isValid, parse } from 'date-fns';
import { parseCalendarDay, type CalendarDay } from '@/core/calendar';
import type { DateOrder } from '@/core/students';

const NUMBERS = /^(\d{1,2})[/.\-\s](\d{1,2})[/.\-\s](\d{2}|\d{4})$/;
const YEAR_FIRST = /^(\d{4})[/.-](\d{1,2})[/.-](\d{1,2})$/;
const IN_WORDS = [
  'd MMM yyyy',
  'd MMMM yyyy',
  'MMM d, yyyy',
  'MMMM d, yyyy',
  'MMM d yyyy',
  'MMMM d yyyy',
  'd-MMM-yyyy',
  'd-MMM-yy',
  'd MMM yy',
];
/** A reference for the words that name no hour; which day it is does not matter. */
const REFERENCE = new Date(2000, 0, 1);

/**
 * Whether the dates of a list begin with the month or the day, where one of them can be only one of both; null where nothing
 * tells, and a person is asked. Lists that are both at once are told by none.
 */
export function dateOrderOf(texts: readonly string[]): DateOrder | 'anyWay' | null {
  const pairs = texts.flatMap((text) => {
    const parts = NUMBERS.exec(text.trim());
    return parts ? [[Number(parts[1]), Number(parts[2])] as const] : [];
  });
  if (pairs.every(([first, second]) => first === second)) return 'anyWay';
  const isDayFirst = pairs.some(([first]) => first > 12);
  const isMonthFirst = pairs.some(([, second]) => second > 12);
  if (isDayFirst === isMonthFirst) return null;
  return isDayFirst ? 'dayFirst' : 'monthFirst';
}

/**
 * A date in one of the usual ways: 2021-08-12, 8/12/2021, 12.8.21, 12 Aug 2021, August 12, 2021. Null where it is none.
 * A year of two digits is of this century. Dots are mostly written day first (common practice, no source): among months first,
 * 4.3.2021 is told by neither.
 */
export function readDate(text: string, order: DateOrder): CalendarDay | null {
  const told = text.trim().replace(/\s+/g, ' ');
  const yearFirst = YEAR_FIRST.exec(told);
  if (yearFirst) return dayOf(yearFirst[1]!, yearFirst[2]!, yearFirst[3]!);
  const numbers = NUMBERS.exec(told);
  if (numbers) {
    const [first, second] = [Number(numbers[1]), Number(numbers[2])];
    if (order === 'monthFirst' && told.includes('.') && first !== second && first <= 12 && second <= 12) return null;
    const [month, day] = order === 'monthFirst' ? [numbers[1]!, numbers[2]!] : [numbers[2]!, numbers[1]!];
    const year = numbers[3]!;
    return dayOf(year.length === 2 ? `20${year}` : year, month, day);
  }
  for (const pattern of IN_WORDS) {
    const parsed = parse(told.replace(/(\d)(st|nd|rd|th)\b/, '$1'), pattern, REFERENCE);
    if (isValid(parsed) && parsed.getFullYear() >= 1900) return parseCalendarDay(format(parsed, 'yyyy-MM-dd'));
  }
  return null;
}

const dayOf = (year: string, month: string, day: string) => parseCalendarDay(`${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`);
