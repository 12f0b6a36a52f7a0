import { addDays, parseCalendarDay, type CalendarDay } from '../calendar';
import type { Lexicon, ReplyLanguage } from './lexicon';
import type { Token, TokensOptions } from './token';

const MOST_DAYS_BACK = 14;

/** A day by its date: "11/24", "nov 23", "23 de noviembre", "2 days ago". */
export function dateAt(
  pieces: readonly { readonly text: string }[],
  at: number,
  before: readonly Token[],
  { today, language }: TokensOptions,
  { months }: Lexicon,
): { tokens: Token[]; length: number } | null {
  const word = (offset: number) => pieces[at + offset]?.text ?? '';
  const monthOf = (text: string) => (/^\p{L}{3,}$/u.test(text) ? months.findIndex((month) => text.startsWith(month)) + 1 : 0);
  const day = (month: number, date: number, length: number) => ({ tokens: dayTokens(month, date, today), length });
  const figures = (text: string) => (/^\d{1,2}(st|nd|rd|th)?$/.test(text) ? Number.parseInt(text, 10) : 0);
  if (/^\d+$/.test(word(0)) && /^(days?|dias?)$/.test(word(1)) && word(2) === 'ago') return ago(Number(word(0)), today, 3);
  if (word(0) === 'hace' && /^\d+$/.test(word(1)) && /^dias?$/.test(word(2))) return ago(Number(word(1)), today, 3);
  if (monthOf(word(0)) && figures(word(1)) && isMonthName(word(0), language)) return day(monthOf(word(0)), figures(word(1)), 2);
  if (figures(word(0)) && word(1) === 'de' && monthOf(word(2))) return day(monthOf(word(2)), figures(word(0)), 3);
  const slash = /^(\d{1,2})\/(\d{1,2})$/.exec(word(0));
  // Right after a task it is so many of so many.
  const last = before.at(-1)?.is;
  if (!slash || (last !== undefined && last !== 'mark')) return null;
  const [a, b] = [Number(slash[1]), Number(slash[2])];
  if (a > 12 && b <= 12) return day(b, a, 1);
  return a <= 12 && b > 12 ? day(a, b, 1) : null;
}

/** "mar" is a sea and a Tuesday, "may" a wish: where a number follows they are months only when written out or in English. */
function isMonthName(word: string, language: ReplyLanguage): boolean {
  return language === 'en' || word.length > 3;
}

function ago(days: number, today: CalendarDay, length: number): { tokens: Token[]; length: number } {
  return { tokens: days <= MOST_DAYS_BACK ? [{ is: 'day', day: addDays(today, -days) }] : [{ is: 'doubt' }], length };
}

/** The latest such date that has come; one that is none, or long ago, is in doubt. */
function dayTokens(month: number, date: number, today: CalendarDay): Token[] {
  const year = Number(today.slice(0, 4));
  const two = (value: number) => String(value).padStart(2, '0');
  const days = [year, year - 1].flatMap((each) => parseCalendarDay(`${each}-${two(month)}-${two(date)}`) ?? []);
  const found = days.find((day) => day <= today);
  return [found && found >= addDays(today, -MOST_DAYS_BACK) ? { is: 'day', day: found } : { is: 'doubt' }];
}
