import { addDays, weekdayOf, type CalendarDay } from '../calendar';
import type { CodeLetters } from './codeLetters';
import { LEXICONS, type Lexicon, type Meaning } from './lexicon';
import { dateAt } from './dates';
import { isSlipOf, lettersApart } from '../text';
import { readable } from './readable';
import type { ReplyTask } from './reading';
import type { Token, TokensOptions } from './token';

/** Shorter words of a title are not told from others. */
const LEAST_LETTERS = 4;
/** From so many letters on two may be wrong. */
const LONG_WORD = 7;

export function wordsOf(text: string): string[] {
  return [...readable(text).matchAll(/[\p{L}\p{N}]+/gu)].map(([word]) => word);
}

/** Splits a text into meaningful pieces. Pure reading: nothing is concluded here. */
export function tokensOf(text: string, options: TokensOptions): Token[] {
  const pieces = [...readable(text).matchAll(/[\p{L}\d]+(?:[.,]5(?![\p{L}\d]))?(?:\/\d+)?|\n|[^\s\p{L}\d]/gu)].map((found) => ({
    text: found[0],
    // A sign before a figure: "-3", "7-8", "~6".
    isTight: /[\s]|^$/.test(readable(text)[found.index - 1] ?? ' ') === false,
    isBeforeFigure: /\d/.test(readable(text)[found.index + found[0].length] ?? ''),
  }));
  const titles = titleWords(options);
  const lexicon = LEXICONS[options.language];
  const tokens: Token[] = [];
  for (let at = 0; at < pieces.length;) {
    const piece = pieces[at]!;
    const found = phraseAt(pieces, at, lexicon) ?? null;
    const date = dateAt(pieces, at, tokens, options, lexicon);
    if (date) {
      tokens.push(...date.tokens);
      at += date.length;
    } else if (piece.text === 'at' && /^\d+$/.test(pieces[at + 1]?.text ?? '')) {
      // A time of day, or a count: "at 8 we did crane".
      tokens.push({ is: 'doubt' });
      at += 2;
    } else if (found && !(found.length === 1 && isLetterOfTask(piece.text, options))) {
      tokens.push(tokenOf(found.meaning, options.today));
      at += found.length;
    } else {
      tokens.push(...tokensOfPiece(piece, tokens, titles, lexicon, options));
      at += 1;
    }
  }
  return joined(tokens);
}

function phraseAt(
  pieces: readonly { text: string }[],
  at: number,
  { phrases, mostWords }: Lexicon,
): { meaning: Meaning; length: number } | null {
  for (let length = Math.min(mostWords, pieces.length - at); length > 0; length -= 1) {
    const phrase = pieces
      .slice(at, at + length)
      .map(({ text }) => text)
      .join(' ');
    const meaning = phrases.get(phrase);
    if (meaning) return { meaning, length };
  }
  return null;
}

function tokenOf(meaning: Meaning, today: CalendarDay): Token {
  if (meaning.is === 'ago') return { is: 'day', day: addDays(today, -meaning.days) };
  if (meaning.is === 'weekday') return { is: 'day', day: addDays(today, -((weekdayOf(today) - meaning.weekday + 7) % 7)) };
  return meaning;
}

/** "a" and "I" are words of English, "a" is one of Spanish: as letters of tasks they are looked at where they stand. */
function isLetterOfTask(word: string, { tasks }: TokensOptions): boolean {
  return word.length === 1 && tasks.some(({ letter }) => letter?.toLowerCase() === word);
}

type Piece = { readonly text: string; readonly isTight: boolean; readonly isBeforeFigure: boolean };

function tokensOfPiece(
  piece: Piece,
  before: readonly Token[],
  titles: ReadonlyMap<string, ReplyTask>,
  lexicon: Lexicon,
  options: TokensOptions,
): Token[] {
  const { text } = piece;
  if (/^[.,;!\n]$/.test(text)) return [{ is: 'mark' }];
  if (/^[-–—]$/.test(text)) {
    // "A-8" joins, "7-8" and " -3" do not.
    const last = before.at(-1)?.is;
    return piece.isBeforeFigure && (!piece.isTight || last === 'number' || last === 'ratio') ? [{ is: 'doubt' }] : [];
  }
  if (text === '~' || text === '±' || text === '<' || text === '>') return [{ is: 'doubt' }];
  if (text === '+') return piece.isTight ? [{ is: 'doubt' }] : [{ is: 'and' }];
  if (text === '&') return [{ is: 'and' }];
  if (/^\d+$/.test(text)) return [{ is: 'number', value: Number(text) }];
  if (/^\d+[.,]5$/.test(text)) return [{ is: 'number', value: Number(text.replace(',', '.')) }];
  const ratio = /^(\d+)\/(\d+)$/.exec(text);
  if (ratio) return [{ is: 'ratio', value: Number(ratio[1]), of: Number(ratio[2]) }];
  if (!/^[\p{L}\d]/u.test(text)) return [];
  return codeTokens(text, before, options) ?? wordTokens(text, titles, lexicon, options);
}

/** Letters as the slip has them: "a8wj", "bl5r5", "axu", "l5", "wj". */
function codeTokens(word: string, before: readonly Token[], { letters, tasks }: TokensOptions): Token[] | null {
  const upper = word.toUpperCase();
  const answer = (letter: string): Token | null => {
    if (letters.help[letter]) return { is: 'help', level: letters.help[letter], byLetter: true };
    return letters.effort[letter] ? { is: 'effort', effort: letters.effort[letter], byLetter: true } : null;
  };
  const { left, right, notDone } = letters;
  const side = (letter: string | undefined): Token => ({ is: letter === left ? 'left' : 'right' });
  const count = (text: string): Token => {
    const [value, of] = text.split('/');
    return of === undefined
      ? { is: 'number', value: Number(value!.replace(',', '.')) }
      : { is: 'ratio', value: Number(value), of: Number(of) };
  };
  const NUMBER = '\\d+(?:[.,]5)?(?:/\\d+)?';
  const sides = new RegExp(`([${left}${right}])(${NUMBER})`, 'g');
  const known = tasks.flatMap(({ letter }) => letter ?? []).join('') || '!';
  const whole = new RegExp(`^([${known}])?(?:(${notDone})([A-Z])?|((?:[${left}${right}]${NUMBER}){1,2})?(${NUMBER})?([A-Z]{0,2}))$`);
  const found = whole.exec(upper);
  const [, taskLetter, cross, why, bySide, number, answers = ''] = found ?? [];
  const said = [...answers].map(answer);
  if (!found || said.includes(null) || (why && !letters.reasons[why])) {
    return standing(word, upper, before, letters, answer) ?? reversed(upper, left, right);
  }
  const hasFigure = Boolean(bySide ?? number ?? cross);
  // Letters alone are words, unless figures came right before them.
  if (!taskLetter && !hasFigure) return standing(word, upper, before, letters, answer);
  if (taskLetter && !hasFigure && answers) return null;
  const task = tasks.find(({ letter }) => letter === taskLetter);
  const tokens: Token[] = task ? [{ is: 'task', task, byLetter: true, withCount: hasFigure }] : [];
  if (cross) return [...tokens, { is: 'notDone', reason: why ? letters.reasons[why]! : null }];
  for (const [, letter, amount] of (bySide ?? '').matchAll(sides)) tokens.push(side(letter), count(amount!));
  if (number) tokens.push(count(number));
  return [...tokens, ...(said as Token[])];
}

/** Letters without a figure: answers after a count, a side before one, the reason after X. */
function standing(
  word: string,
  upper: string,
  before: readonly Token[],
  letters: CodeLetters,
  answer: (letter: string) => Token | null,
): Token[] | null {
  const last = before.at(-1);
  if (last?.is === 'notDone' && last.reason === null && letters.reasons[upper]) return [{ is: 'reason', reason: letters.reasons[upper]! }];
  const afterCount = last && ['number', 'ratio', 'help', 'effort', 'done', 'all', 'each', 'minutes'].includes(last.is);
  const said = [...upper].map(answer);
  if (afterCount && word.length <= 2 && !said.includes(null)) return said as Token[];
  if (upper === letters.left) return [{ is: 'left' }];
  return upper === letters.right ? [{ is: 'right' }] : null;
}

/** "5l", "4r", "2min", "7pm" */
function reversed(upper: string, left: string, right: string): Token[] | null {
  const found = /^(\d+)([A-Z]+)$/.exec(upper);
  if (!found) return null;
  const value: Token = { is: 'number', value: Number(found[1]) };
  if (found[2] === left) return [value, { is: 'left' }];
  if (found[2] === right) return [value, { is: 'right' }];
  if (/^MINS?$/.test(found[2]!)) return [value, { is: 'minutes' }];
  if (found[2] === 'X') return [value, { is: 'times' }];
  return found[2] === 'PM' || found[2] === 'AM' ? [] : [{ is: 'doubt' }];
}

function wordTokens(word: string, titles: ReadonlyMap<string, ReplyTask>, { phrases }: Lexicon, { tasks }: TokensOptions): Token[] {
  const letter = tasks.find((each) => word.length === 1 && each.letter === word.toUpperCase());
  if (letter) return [{ is: 'task', task: letter, byLetter: true, withCount: false }];
  if (/\d/.test(word)) return [{ is: 'doubt' }];
  const named = titles.get(word) ?? titles.get(word.replace(/s$/, '')) ?? titles.get(`${word}s`) ?? nearTitle(word, titles, phrases);
  if (named) return [{ is: 'task', task: named, byLetter: false, withCount: false }];
  const slip = [...phrases].find(
    ([phrase, { is }]) =>
      ['help', 'effort', 'ago', 'weekday'].includes(is) && !phrase.includes(' ') && phrase.length >= 4 && isSlipOf(word, phrase),
  );
  if (slip && (slip[1].is === 'help' || slip[1].is === 'effort')) return [slip[1]];
  return [{ is: 'word', word }];
}

/** The words by which each task is known: of its titles, those that no other task's title has. */
function titleWords({ tasks }: TokensOptions): ReadonlyMap<string, ReplyTask> {
  const known = new Map<string, ReplyTask | null>();
  for (const task of tasks) {
    const words = new Set(task.titles.flatMap((title) => wordsOf(title)));
    for (const title of task.titles) words.add(wordsOf(title).join(''));
    for (const word of words) {
      const other = known.get(word);
      if (word.length >= LEAST_LETTERS && !TOO_COMMON.has(word)) known.set(word, other === undefined || other === task ? task : null);
    }
  }
  return new Map([...known].filter((entry): entry is [string, ReplyTask] => entry[1] !== null));
}

/** Everyday words that are one letter off a word of some title: they mean themselves. */
const EVERYDAY = new Set(
  'start starts wear where here were there their rest best read real gift card cards work works worked word words words back home time times school band bands mom more most some same game name next text test past fast last list lost left lift right light night might hard hand hands held help cold card want went west road rode ride tire tired wire fire star stair pain paint plan plane place plate play later water'.split(
    ' ',
  ),
);
/** Words of titles that say too little alone: "back to work 3". */
const TOO_COMMON = new Set(['work', 'back', 'home', 'time', 'school', 'hand', 'hands', 'which', 'trabajo', 'casa', 'mano', 'manos']);

/** The task whose word this is by a slip of the thumb, where no other task's is as near. A word that is one itself is none. */
function nearTitle(word: string, titles: ReadonlyMap<string, ReplyTask>, phrases: Lexicon['phrases']): ReplyTask | null {
  if (word.length < LEAST_LETTERS || phrases.has(word) || EVERYDAY.has(word)) return null;
  const near = [...titles]
    .map(([title, task]) => ({ title, task, apart: lettersApart(word, title), most: title.length >= LONG_WORD ? 2 : 1 }))
    .filter(({ title, apart, most }) => apart <= most && (apart > 1 || title.length >= LONG_WORD || isSlipOf(word, title)))
    .sort((a, b) => a.apart - b.apart);
  const [first] = near;
  return first && near.every(({ task, apart }) => task === first.task || apart > first.apart) ? first.task : null;
}

/** "8 of 10" is one thing; "star", "beams" are one task. */
function joined(tokens: readonly Token[]): Token[] {
  const out: Token[] = [];
  for (let at = 0; at < tokens.length; at += 1) {
    const [token, next, after] = [tokens[at]!, tokens[at + 1], tokens[at + 2]];
    if (token.is === 'number' && next?.is === 'of' && after?.is === 'number') {
      out.push({ is: 'ratio', value: token.value, of: after.value });
      at += 2;
    } else if (token.is === 'task' && !token.byLetter && sameTaskBefore(out, token.task)) continue;
    else out.push(token);
  }
  return out;
}

/** "Tile the roof": words of one title with small words between them are one name. */
function sameTaskBefore(tokens: readonly Token[], task: ReplyTask): boolean {
  const last = tokens.filter(({ is }) => is !== 'fill' && is !== 'of').at(-1);
  return last?.is === 'task' && last.task === task;
}
