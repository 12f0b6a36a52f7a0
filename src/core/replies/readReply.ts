import { dangerIn } from '../safety';
import { BASE_LANGUAGE, type Language } from '../text';
import type { CalendarDay } from '../calendar';
import { LEXICONS, languageOfReply, STOP_ELSEWHERE, type ReplyLanguage } from './lexicon';
import type { AskBack, ReplyItem, ReplyReading, ReplyTask } from './reading';
import { blank, isCount, readSegment, type Segment } from './readSegment';
import { tokensOf, wordsOf, type Token, type TokensWish } from './tokens';
import { codeLettersOf } from './codeLetters';

export interface ReplyContext {
  /** The tasks of the family's program that may be told of. */
  readonly tasks: readonly ReplyTask[];
  readonly today: CalendarDay;
  readonly language: Language;
}

const EMPTY: ReplyReading = { kind: 'person', items: [], ask: null, isQuestion: false, named: [] };

/**
 * Reads what a family wrote back. Words of danger come first, whatever else stands there. A count is taken only where it can mean one
 * thing; in doubt the reading says what to ask back, else that a person has to read it. Nothing is guessed.
 * @param context the tasks with their letters and targets, the family's own today and language
 * @example readReply('crane lift 8 of 10, hard', context).items // [{ amount: 8, effort: 'tooHard', … }]
 */
export function readReply(text: string, context: ReplyContext): ReplyReading {
  const words = wordsOf(text);
  const usual: ReplyLanguage = context.language === 'es' ? 'es' : BASE_LANGUAGE;
  const language = languageOfReply(words, usual);
  const { thanks } = LEXICONS[language];
  // The letters of the slip are those of the family's own language, whichever words stand beside them.
  const wish = { ...context, language, letters: codeLettersOf(context.language) };
  if (dangerIn(text).length > 0) return { ...EMPTY, kind: 'danger', named: namedIn(tokensOf(text, wish).filter(isSurelyNamed)) };
  const said = words.join(' ');
  if (STOP_ELSEWHERE.has(said) || LEXICONS.en.stop.has(said) || LEXICONS.es.stop.has(said)) return { ...EMPTY, kind: 'stop' };
  const questions = apartFromQuestions(text, wish);
  if (words.every((word) => thanks.has(word)) && !questions.isQuestion) return { ...EMPTY, kind: 'nothing' };
  const read = readTokens(tokensOf(questions.rest, wish), wish.tasks, context.today, questions.inDoubt);
  return { ...read, isQuestion: questions.isQuestion };
}

/** Takes the questions out; one that holds a figure or a task and nothing else says it is left in, and in doubt. */
function apartFromQuestions(
  text: string,
  wish: TokensWish,
): { readonly rest: string; readonly isQuestion: boolean; readonly inDoubt: boolean } {
  if (!/[?¿]/.test(text)) return { rest: text, isQuestion: false, inDoubt: false };
  const clauses = text.match(/[^.,;!?\n]+[.,;!?\n]*/gu) ?? [];
  const rest: string[] = [];
  let isQuestion = false;
  let inDoubt = false;
  for (const clause of clauses) {
    if (!/[?¿]/.test(clause)) {
      rest.push(clause);
      continue;
    }
    isQuestion = true;
    const counts = tokensOf(clause, wish).some(({ is }) => is === 'number' || is === 'ratio');
    if (counts) {
      inDoubt = true;
      rest.push(clause.replace(/[?¿]/g, ' '));
    }
  }
  return { rest: rest.join(' '), isQuestion, inDoubt };
}

/** By its name, or by its letter with a figure: the "a" of "she swallowed a bead" is no task, and all of them are closed. */
function isSurelyNamed(token: Token): boolean {
  return token.is === 'task' && (!token.byLetter || token.withCount);
}

function namedIn(tokens: readonly Token[]): number[] {
  return [...new Set(tokens.flatMap((token) => (token.is === 'task' ? [token.task.taskId] : [])))];
}

function readTokens(tokens: readonly Token[], tasks: readonly ReplyTask[], today: CalendarDay, inDoubt: boolean): ReplyReading {
  const named = namedIn(tokens);
  const unclear: ReplyReading = { ...EMPTY, kind: 'ask', ask: { code: 'unclear' }, named };
  const counts = tokens.filter(({ is }) => is === 'number' || is === 'ratio');
  if (named.length === 0) return withoutTask(tokens, tasks, today, counts, inDoubt);
  if (inDoubt || tokens.some(({ is }) => is === 'doubt')) return unclear;
  const segments = segmentsOf(tokens, today);
  if (!segments) return unclear;
  // One word of help or effort at the end may be of the last task or of all.
  const tells = segments.map(({ tokens: own }) => own.some(({ is }) => is === 'help' || is === 'effort'));
  if (segments.length > 1 && tells.indexOf(true) === segments.length - 1 && tellsInWords(segments.at(-1)!)) return unclear;
  const pairs = segments.map(({ task, day }) => `${task.taskId} ${day}`);
  if (new Set(pairs).size < pairs.length) return unclear;
  const read = segments.map(readSegment);
  const items = read.flatMap(({ item, ask }) => (item && !ask ? [item] : []));
  const ask = read.find((each) => each.ask)?.ask ?? null;
  // Where one part can't be told, what stands beside it is not sure either.
  if (ask?.code === 'unclear') return unclear;
  return { kind: ask ? 'ask' : 'reports', items, ask, isQuestion: false, named };
}

/** Letters of the slip belong to the count that they follow; words may be about all that was said. */
function tellsInWords({ tokens }: Segment): boolean {
  return tokens.some(isCount) && tokens.some((token) => (token.is === 'help' || token.is === 'effort') && !token.byLetter);
}

/** Nothing names a task: it is about all of them, or a number without a name, or not for us. */
function withoutTask(
  tokens: readonly Token[],
  tasks: readonly ReplyTask[],
  today: CalendarDay,
  counts: readonly Token[],
  inDoubt: boolean,
): ReplyReading {
  const days = tokens.flatMap((token) => (token.is === 'day' ? [token.day] : []));
  const doneOn = days.at(-1) ?? today;
  const strange = tokens.filter(({ is }) => is === 'word').length;
  const only = counts.length === 1 && counts[0]!.is === 'number' ? counts[0]! : null;
  // A number among words that are not ours: "can you call me after six".
  if (strange >= MOST_STRANGE) return EMPTY;
  if (counts.length > 0) {
    const isBare = only !== null && tokens.every(({ is }) => ['number', 'times', 'mark', 'fill', 'day', 'done'].includes(is));
    const ask: AskBack = isBare && !inDoubt ? { code: 'whichTask', given: (only as { value: number }).value, doneOn } : { code: 'unclear' };
    return { ...EMPTY, kind: 'ask', ask };
  }
  const isInDoubt = inDoubt || days.length > 1 || tokens.some(({ is }) => is === 'doubt');
  const reasons = new Set(tokens.flatMap((token) => ('reason' in token && token.reason !== null ? [token.reason] : [])));
  const says = (kind: Token['is']) => tokens.some(({ is }) => is === kind);
  const isNo = says('no') || says('notDone') || reasons.size > 0;
  const all = (rest: Pick<ReplyItem, 'done' | 'stopReason'>): ReplyReading => ({
    ...EMPTY,
    kind: 'reports',
    items: tasks.map((task) => ({ ...blank(task, doneOn), ...rest })),
  });
  if (isNo && !isInDoubt && reasons.size <= 1 && strange <= (reasons.size ? MOST_STRANGE - 1 : 1)) {
    const [stopReason = null] = reasons;
    // "Missing things" may be about one task: which?
    if (stopReason !== 'missing' && !says('effort') && !says('help')) return all({ done: false, stopReason });
    return { ...EMPTY, kind: 'ask', ask: { code: 'unclear' } };
  }
  if (says('all') && says('done') && !isNo && strange === 0 && !isInDoubt) return all({ done: true, stopReason: null });
  const isAboutPractice = says('done') || says('all') || says('effort') || says('help') || says('stopped') || isNo;
  return isAboutPractice && strange <= 1 ? { ...EMPTY, kind: 'ask', ask: { code: 'unclear' } } : EMPTY;
}

const MOST_STRANGE = 3;

const isEnd = (token: Token | undefined) => token === undefined || token.is === 'mark' || token.is === 'and';

/** Each task with what is said of it. Null where a number may be of either of two, or a day of either. */
function segmentsOf(tokens: readonly Token[], today: CalendarDay): Segment[] | null {
  const starts = tokens.flatMap((token, at) => (token.is === 'task' ? [at] : []));
  const numberFirst = isNumberFirst(tokens, starts[0]!);
  const segments: Segment[] = [];
  const firstDay = tokens.findIndex(({ is }) => is === 'day');
  const days = tokens.flatMap((token) => (token.is === 'day' ? [token.day] : []));
  const isOfToday = days.every((each) => each === today);
  const leadsByDay = firstDay >= 0 && firstDay < starts[0]!;
  if (new Set(days).size > 1 && !leadsByDay) return null;
  let day = leadsByDay ? (tokens[firstDay] as { day: CalendarDay }).day : today;
  // A day behind the only task is its day; behind one of several it may be of one or of all.
  if (firstDay >= 0 && !leadsByDay && !isOfToday) {
    if (starts.length > 1) return null;
    day = days[0]!;
  }
  let from = 0;
  for (const [index, at] of starts.entries()) {
    const next = starts[index + 1] ?? tokens.length;
    const task = tokens[at] as Extract<Token, { is: 'task' }>;
    const lead = tokens.slice(from, at);
    const leadDay = lead.filter(({ is }) => is === 'day').at(-1);
    if (leadsByDay && leadDay) day = (leadDay as { day: CalendarDay }).day;
    // What stands right before a task, up to the mark before it, may belong to it.
    const close = lead.slice(lead.length - tail(lead));
    const near = close.filter(({ is }) => is !== 'fill' && is !== 'day' && is !== 'done');
    const isDenied = near.some(({ is }) => is === 'no' || is === 'reason');
    const isCounted = near.some(isCount);
    const isApart = index === 0 || lead.some(isEnd);
    if (task.byLetter && !task.withCount && !isLetterInPlace(lead, task.task.letter!)) return null;
    // "8 we did crane": the number is of something else.
    if (isCounted && close.slice(close.findIndex(isCount)).some(({ is }) => is === 'done' || is === 'word')) return null;
    if (index > 0 && !isApart) {
      // "star beams 8 planks": whose is the 8? A code's own count stands before the next code.
      const hasOwn = saysItself(nextMeant(tokens, at + 1));
      if (!numberFirst && isCounted && !hasOwn) return null;
      if (numberFirst && hasOwn) return null;
    }
    const takesLead = isDenied || (isCounted && (numberFirst || isApart) && (index === 0 || isApart || numberFirst));
    const before = [...close.filter(({ is }) => is === 'done'), ...(takesLead ? near : [])];
    if (takesLead && segments.length > 0)
      segments.at(-1)!.tokens.splice(-lead.length, lead.length, ...lead.slice(0, lead.length - tail(lead)));
    // A number that stands before everything and belongs to nothing: "he is 6 and did star beams".
    if (index === 0 && lead.filter(isCount).length > (takesLead ? near.filter(isCount).length : 0)) return null;
    const own = tokens.slice(at + 1, next);
    segments.push({ task: task.task, byLetter: task.byLetter, day, tokens: [...before, ...own] });
    from = at + 1;
  }
  // A name without anything, and then one with a count: "star beams, planks 6".
  const says = (segment: Segment) => segment.tokens.some(({ is }) => !['mark', 'and', 'fill', 'word'].includes(is));
  if (segments.length > 1 && segments.some((segment) => !says(segment))) return null;
  return segments;
}

/** How many tokens stand behind the last mark. */
function tail(tokens: readonly Token[]): number {
  const fromEnd = [...tokens].reverse().findIndex((token) => isEnd(token));
  return fromEnd < 0 ? tokens.length : fromEnd;
}

function nextMeant(tokens: readonly Token[], from: number): Token | undefined {
  return tokens.slice(from).find(({ is }) => is !== 'fill');
}

/** "8 star beams, 6 planks": the numbers stand before what they count. */
function isNumberFirst(tokens: readonly Token[], first: number): boolean {
  const lead = tokens.slice(0, first);
  return tail(lead) > 0 && lead.slice(lead.length - tail(lead)).some(isCount);
}

/** True for what tells of the task before it. */
function saysItself(token: Token | undefined): boolean {
  return isCount(token) || ['left', 'right', 'notDone', 'no', 'done', 'all', 'reason'].includes(token?.is ?? '');
}

const BEFORE_A_LETTER = ['help', 'effort', 'done', 'all', 'notDone', 'reason', 'each', 'minutes', 'no', 'day'];
/** Letters that are words as well: behind another word they are words. */
const WORDS_TOO = 'AEIOUY';

/** A letter stands for a task at the beginning of a clause, or behind what was said of another. */
function isLetterInPlace(lead: readonly Token[], letter: string): boolean {
  const last = lead.at(-1);
  if (isEnd(last) || isCount(last) || BEFORE_A_LETTER.includes(last!.is)) return true;
  return last!.is === 'fill' && !WORDS_TOO.includes(letter);
}
