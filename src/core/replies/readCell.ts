import type { CalendarDay } from '../calendar';
import type { Language } from '../text';
import { readReply } from './readReply';
import type { ReplyItem, ReplyTask } from './reading';

export type CellIssue =
  /** The number may be of each side, or of both. */
  | { readonly code: 'sideOrAll'; readonly given: number }
  /** Nothing that a box of this task can mean. */
  | { readonly code: 'cellUnclear' }
  /** Words of injury or illness: they belong into the words of the slip, where they close the task. */
  | { readonly code: 'cellDanger' }
  /** A sum of several days: the box is of one. */
  | { readonly code: 'cellTotal' }
  /** Minutes are kept in halves. */
  | { readonly code: 'cellNotHalf' }
  /**
   * Far enough above the target that a digit may be doubled, or the task has no target: "!" behind the number confirms that the
   * paper has it.
   */
  | { readonly code: 'cellSure'; readonly given: number; readonly asked: number };

export type CellReading =
  | { readonly kind: 'empty' }
  /** `isMore`: more than is asked for in a day, which who types sees on the paper, and a text would be asked about. */
  | { readonly kind: 'read'; readonly item: ReplyItem; readonly isMore: boolean }
  | { readonly kind: 'issue'; readonly issue: CellIssue };

/** Done, and nobody told how much. */
const DONE_UNCOUNTED = '+';
/** Behind a number that is asked about: the paper has it so. */
const SURE = '!';
/** More than so many times what is asked is asked about. Our own choice. */
const FAR_ABOVE = 2.5;
const TOTAL = /\b(total|totals|sum|week|semana|totale)\b/i;
const SECONDS = /^(\d{1,4})\s*(?:s|sec|secs|seconds?|segundos?|seg)\b\.?/i;
const CLOCK = /^(\d{1,3}):([0-5]\d)\b/;
const HALF = /(\d{1,3})?\s*(?:½|(?<!\d)1\/2)/;
const SUM = /^\d{1,3}(?:\s*\+\s*\d{1,3})+/;

/**
 * Reads one box of a slip, by the letters that stand on slip and message: "8 N", "L5R4", "X U"; "+" is done, amount not told. The box already says which task and
 * day it is of, so that what is written in it is taken only where it can mean one thing.
 * Minutes may be written as 1:30, 90 s or 1½; what two adults counted on one day as 5+3.
 * @example readCell('l5r4 n', crane, tuesday, 'en') // { kind: 'read', item: { left: 5, right: 4, help: 'alone', … } }
 */
export function readCell(text: string, task: ReplyTask, day: CalendarDay, language: Language): CellReading {
  const cell = text.trim();
  if (cell === '') return { kind: 'empty' };
  if (cell === DONE_UNCOUNTED) {
    const nothing = { left: null, right: null, amount: null, minutes: null, help: null, effort: null, stopReason: null };
    return { kind: 'read', item: { taskId: task.taskId, doneOn: day, done: true, ...nothing }, isMore: false };
  }
  if (TOTAL.test(cell)) return issue({ code: 'cellTotal' });
  const plain = inOneNumber(cell.replace(SURE, ''), task);
  if (plain === null) return issue({ code: 'cellNotHalf' });
  const read = readBox(plain, task, day, language);
  if (read.kind !== 'read' || cell.includes(SURE)) return read;
  return doubtIn(read.item, task) ?? read;
}

/** Nothing at all, or far more than is asked: a slip of the pen is likelier than either. */
function doubtIn({ left, right, amount, done, help, effort }: ReplyItem, { perDay }: ReplyTask): CellReading | null {
  const counts = [left, right, amount].filter((count) => count !== null);
  if (!done || counts.length === 0) return null;
  const given = counts.reduce((sum, count) => sum + count, 0);
  const isFar = perDay > 0 && given > FAR_ABOVE * perDay;
  // How it was helped, or felt, is told of what was tried.
  const isNothing = given === 0 && help === null && effort === null;
  return isNothing || isFar ? issue({ code: 'cellSure', given, asked: perDay }) : null;
}

/** Fractions, clocks, seconds and sums as one number, as the task counts. Null for minutes that are no halves. */
function inOneNumber(cell: string, { unit, perSide }: ReplyTask): string | null {
  if (unit === 'minutes') {
    const inMinutes = (seconds: number, written: string) => (seconds % 30 === 0 ? cell.replace(written, `${seconds / 60}`) : null);
    const clock = CLOCK.exec(cell);
    if (clock) return inMinutes(Number(clock[1]) * 60 + Number(clock[2]), clock[0]);
    const seconds = SECONDS.exec(cell);
    // Few of them are the letter of help behind minutes.
    if (seconds && Number(seconds[1]) >= 10) return inMinutes(Number(seconds[1]), seconds[0]);
    const half = HALF.exec(cell);
    if (half) return cell.replace(half[0], `${Number(half[1] ?? 0) + 0.5}`);
  }
  const sum = perSide ? null : SUM.exec(cell);
  return sum ? cell.replace(sum[0], String(sum[0].split('+').reduce((total, part) => total + Number(part), 0))) : cell;
}

function readBox(cell: string, task: ReplyTask, day: CalendarDay, language: Language): CellReading {
  // Two ticks may be two times, or one that was drawn over.
  if (/(.)\s*\1/u.test(cell.replace(/[\p{L}\p{N}\s]/gu, ''))) return issue({ code: 'cellUnclear' });
  const asked = readWithin(cell, task, day, language);
  if (asked.kind !== 'issue' || asked.issue.code !== 'cellUnclear') return asked;
  // The same box without a target: what is more than asked for is plain where it says of which side it is, or where there are none.
  const more = readWithin(cell, { ...task, perDay: 0, perHand: 0 }, day, language);
  const isPlain = more.kind === 'read' && (!task.perSide || more.item.amount === null);
  return isPlain ? { ...more, isMore: true } : asked;
}

function readWithin(cell: string, task: ReplyTask, day: CalendarDay, language: Language): CellReading {
  const name = task.letter ?? task.titles[0]!;
  const { kind, items, ask, isQuestion } = readReply(`${name} ${cell}`, { tasks: [task], today: day, language });
  if (kind === 'danger') return issue({ code: 'cellDanger' });
  if (ask?.code === 'sideOrAll') return issue({ code: 'sideOrAll', given: ask.given });
  const [item] = items;
  const isSure = kind === 'reports' && items.length === 1 && item!.doneOn === day && !isQuestion;
  return isSure ? { kind: 'read', item: item!, isMore: false } : issue({ code: 'cellUnclear' });
}

const issue = (what: CellIssue): CellReading => ({ kind: 'issue', issue: what });
