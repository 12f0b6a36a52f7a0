import type { CalendarDay } from '../calendar';
import type { CodeLetters } from './codeLetters';
import type { Meaning, ReplyLanguage } from './lexicon';
import type { ReplyTask } from './reading';

export type Plain = Exclude<Meaning, { is: 'ago' | 'weekday' | 'number' | 'help' | 'effort' }>;

/** A piece of a reply that means something, or a word that means nothing to us. */
export type Token =
  | Plain
  /** `byLetter`: by its letter alone; `withCount`: with a figure, as nobody writes but from the slip. */
  | { readonly is: 'task'; readonly task: ReplyTask; readonly byLetter: boolean; readonly withCount: boolean }
  | (Extract<Meaning, { is: 'help' | 'effort' }> & { readonly byLetter?: boolean })
  | { readonly is: 'number'; readonly value: number }
  /** "8 of 10" */
  | { readonly is: 'ratio'; readonly value: number; readonly of: number }
  | { readonly is: 'day'; readonly day: CalendarDay }
  | { readonly is: 'notDone'; readonly reason: Extract<Meaning, { is: 'reason' }>['reason'] | null }
  /** The end of a clause. */
  | { readonly is: 'mark' }
  | { readonly is: 'word'; readonly word: string };

export interface TokensOptions {
  /** Language that it is read in. */
  readonly language: ReplyLanguage;
  readonly letters: CodeLetters;
  readonly tasks: readonly ReplyTask[];
  readonly today: CalendarDay;
}
