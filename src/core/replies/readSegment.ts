import type { AskBack, ReplyItem, ReplyTask } from './reading';
import type { Token } from './token';
import type { CalendarDay } from '../calendar';

/** The words about one task. */
export interface Segment {
  readonly task: ReplyTask;
  readonly byLetter: boolean;
  readonly day: CalendarDay;
  readonly tokens: Token[];
}

export const isCount = (token: Token | undefined) => token?.is === 'number' || token?.is === 'ratio';

/** A task on a day of which nothing was told yet but that it was done. */
export function blank({ taskId }: ReplyTask, doneOn: CalendarDay): ReplyItem {
  const nothing = { left: null, right: null, amount: null, minutes: null, help: null, effort: null, stopReason: null };
  return { taskId, doneOn, done: true, ...nothing };
}

/** Either what is reported, or what to ask back: never both. */
export type ReadSegment = { readonly item: ReplyItem; readonly ask: null } | { readonly item: null; readonly ask: AskBack };

export const UNCLEAR: ReadSegment = { item: null, ask: { code: 'unclear' } };

/** Reads the words about one task where they can mean one thing; else returns the question to ask. */
export function readSegment({ task, day, tokens }: Segment): ReadSegment {
  const one = <Kind extends Token['is']>(kind: Kind) => tokens.filter((token): token is Extract<Token, { is: Kind }> => token.is === kind);
  const says = (kind: Token['is']) => tokens.some(({ is }) => is === kind);
  const helps = new Set(one('help').map(({ level }) => level));
  const efforts = new Set(one('effort').map(({ effort }) => effort));
  const reasons = new Set([...one('reason'), ...one('notDone')].flatMap(({ reason }) => (reason === null ? [] : [reason])));
  if (helps.size > 1 || efforts.size > 1 || reasons.size > 1) return UNCLEAR;
  const [help = null] = helps;
  const [effort = null] = efforts;
  const [stopReason = null] = reasons;
  const item: ReplyItem = { ...blank(task, day), help, effort };
  const counted = tokens.some(isCount);
  if (says('notDone') || says('no') || stopReason !== null) {
    if (counted || says('done') || says('all')) return UNCLEAR;
    const why = stopReason ?? (effort === 'tooHard' ? ('tooHard' as const) : null);
    return { item: { ...item, done: false, help: null, effort: null, stopReason: why }, ask: null };
  }
  const amounts = amountsOf(task, tokens);
  if (amounts === 'unclear') return UNCLEAR;
  if (amounts === 'none') {
    if (says('done') || (says('stopped') && effort !== null)) return { item, ask: null };
    return { item: null, ask: { code: 'howMany', item } };
  }
  if ('given' in amounts) return { item: null, ask: { code: 'sideOrAll', item, given: amounts.given } };
  return { item: { ...item, ...amounts }, ask: null };
}

type Amounts = Pick<ReplyItem, 'left' | 'right' | 'amount' | 'minutes'>;

/** How much, where it can mean one thing only. */
function amountsOf(task: ReplyTask, tokens: readonly Token[]): Amounts | { readonly given: number } | 'none' | 'unclear' {
  const says = (kind: Token['is']) => tokens.some(({ is }) => is === kind);
  const places = tokens.flatMap((token, at) => (isCount(token) ? [at] : []));
  const nothing = { left: null, right: null, amount: null, minutes: null };
  // A word that we don't know right behind a number may change what it counts: "8 year old".
  if (places.some((at) => tokens[at + 1]?.is === 'word')) return 'unclear';
  // "2x" of what is done in minutes is how often, not how long; seconds are no minutes.
  if (task.unit === 'minutes' && says('times')) return 'unclear';
  const timed = task.unit === 'minutes' ? [] : places.filter((at) => tokens[at + 1]?.is === 'minutes');
  if (timed.length > 1) return 'unclear';
  const minutes = timed.length ? valueAt(tokens, timed[0]!) : null;
  const counts = places.filter((at) => !timed.includes(at));
  if (minutes !== null && (!Number.isInteger(minutes) || counts.length === 0)) return 'unclear';
  const sides = task.perSide && (says('left') || says('right'));
  if (!task.perSide && (says('left') || says('right') || says('each'))) return counts.length ? 'unclear' : 'none';
  if (counts.length === 0) {
    if (!says('all')) return 'none';
    return task.perDay > 0 ? { ...nothing, amount: task.perDay, minutes } : 'unclear';
  }
  if (sides) return withMinutes(bySide(task, tokens, counts), minutes);
  if (counts.length > 1) return 'unclear';
  const token = tokens[counts[0]!]!;
  const { value } = token as { value: number };
  const of = token.is === 'ratio' ? token.of : null;
  if (!fits(value, task)) return 'unclear';
  if (says('all') && value !== task.perDay) return 'unclear';
  if (!task.perSide)
    return (of !== null && of !== task.perDay) || isOver(value, task.perDay) ? 'unclear' : { ...nothing, amount: value, minutes };
  if (says('each')) return of !== null || isOver(value, task.perHand) ? 'unclear' : { ...nothing, left: value, right: value, minutes };
  if (isOver(value, task.perDay)) return 'unclear';
  const isTotal = says('total') || of === task.perDay || value > task.perHand || value === 0;
  if (of !== null && of !== task.perDay) return { given: value };
  return isTotal ? { ...nothing, amount: value, minutes } : { given: value };
}

function withMinutes(amounts: Amounts | 'unclear', minutes: number | null): Amounts | 'unclear' {
  return amounts === 'unclear' ? amounts : { ...amounts, minutes };
}

function valueAt(tokens: readonly Token[], at: number): number {
  const token = tokens[at]!;
  return token.is === 'number' || token.is === 'ratio' ? token.value : Number.NaN;
}

/** Minutes may come in halves; all else is whole. */
function fits(value: number, { unit }: ReplyTask): boolean {
  return unit === 'minutes' ? Number.isInteger(value * 2) : Number.isInteger(value);
}

/** More than was asked is more likely a slip of the thumb: it is asked back. */
function isOver(value: number, asked: number): boolean {
  return asked > 0 && value > asked;
}

/** "left 5 right 4", "5 left 4 right", "L5 R4": each number with the side that stands next to it, all in one order. */
function bySide(task: ReplyTask, tokens: readonly Token[], counts: readonly number[]): Amounts | 'unclear' {
  const meant = tokens.filter((token) => isCount(token) || token.is === 'left' || token.is === 'right');
  const order = meant.map((token) => (isCount(token) ? 'n' : 's')).join('');
  if (!['sn', 'ns', 'snsn', 'nsns'].includes(order)) return 'unclear';
  const sideFirst = order.startsWith('s');
  const found: { left: number | null; right: number | null } = { left: null, right: null };
  for (let pair = 0; pair < meant.length; pair += 2) {
    const side = meant[pair + (sideFirst ? 0 : 1)]!.is as 'left' | 'right';
    const count = meant[pair + (sideFirst ? 1 : 0)]!;
    const { value } = count as { value: number };
    if (found[side] !== null || !fits(value, task) || isOver(value, task.perHand)) return 'unclear';
    if (count.is === 'ratio' && count.of !== task.perHand) return 'unclear';
    found[side] = value;
  }
  return counts.length <= 2 ? { ...found, amount: null, minutes: null } : 'unclear';
}
