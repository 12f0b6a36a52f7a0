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
  | { readonly code: 'cellDanger' };

export type CellReading =
  | { readonly kind: 'empty' }
  /** `isMore`: more than is asked for in a day, which who types sees on the paper, and a text would be asked about. */
  | { readonly kind: 'read'; readonly item: ReplyItem; readonly isMore: boolean }
  | { readonly kind: 'issue'; readonly issue: CellIssue };

/** Done, and nobody told how much. */
const DONE_UNCOUNTED = '+';

/**
 * Reads one box of a slip, by the letters that stand on slip and message: "8 N", "L5R4", "X U"; "+" is done, amount not told. The box already says which task and
 * day it is of, so that what is written in it is taken only where it can mean one thing.
 * @example readCell('l5r4 n', crane, tuesday, 'en') // { kind: 'read', item: { left: 5, right: 4, help: 'alone', … } }
 */
export function readCell(text: string, task: ReplyTask, day: CalendarDay, language: Language): CellReading {
  const cell = text.trim();
  if (cell === '') return { kind: 'empty' };
  if (cell === DONE_UNCOUNTED) {
    const nothing = { left: null, right: null, amount: null, minutes: null, help: null, effort: null, stopReason: null };
    return { kind: 'read', item: { taskId: task.taskId, doneOn: day, done: true, ...nothing }, isMore: false };
  }
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
