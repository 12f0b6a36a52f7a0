import { dangerClauses, isUpset, type DangerClause } from '../safety';
import { BASE_LANGUAGE, type Language } from '../text';
import type { CalendarDay } from '../calendar';
import { LEXICONS, languageOfReply, NO_ELSEWHERE, STOP_ELSEWHERE, type ReplyLanguage } from './lexicon';
import type { AskBack, ReplyItem, ReplyReading, ReplyTask } from './reading';
import { blank, isCount, readSegment, UNCLEAR, type Segment } from './readSegment';
import { isPlan, isQuestion, wantsNoMore } from './intent';
import { tokensOf, wordsOf } from './tokens';
import type { Token, TokensOptions } from './token';
import { codeLettersOf } from './codeLetters';

export interface ReplyContext {
  /** The tasks of the family's program that may be told of. */
  readonly tasks: readonly ReplyTask[];
  readonly today: CalendarDay;
  readonly language: Language;
}

const EMPTY: ReplyReading = { kind: 'person', items: [], ask: null, isQuestion: false, hasComment: true, named: [] };

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
  const options = { ...context, language, letters: codeLettersOf(context.language) };
  const clauses = dangerClauses(text);
  if (clauses.length > 0) return { ...EMPTY, kind: 'danger', named: hurtTasks(clauses, options) };
  const said = words.join(' ');
  if (STOP_ELSEWHERE.has(said) || LEXICONS.en.stop.has(said) || LEXICONS.es.stop.has(said) || wantsNoMore(text))
    return { ...EMPTY, kind: 'stop' };
  const apart = setApart(NO_ELSEWHERE.has(said) ? 'no' : text, options);
  if (words.every((word) => thanks.has(word)) && !apart.isQuestion) return { ...EMPTY, kind: 'nothing', hasComment: false };
  const tokens = tokensOf(apart.rest, options);
  // Nothing but a plan or a question is left: there is nothing to file.
  if (apart.rest.trim() === '') return { ...EMPTY, isQuestion: apart.isQuestion };
  const read = readTokens(tokens, options.tasks, context.today, apart.inDoubt);
  const hasComment = apart.isQuestion || apart.isPlan || isUpset(text) || tokens.some(({ is }) => is === 'word');
  return { ...read, isQuestion: apart.isQuestion, hasComment };
}

interface Apart {
  readonly rest: string;
  readonly isQuestion: boolean;
  readonly isPlan: boolean;
  readonly inDoubt: boolean;
}

/** Takes questions and plans out: they are no reports. A question with a mark that holds a figure and nothing else is left in, and in doubt. */
function setApart(text: string, options: TokensOptions): Apart {
  const clauses = text.match(/(?:[^.,;!?\n]|[.,](?=\d))+[.,;!?\n]*/gu) ?? [];
  const rest: string[] = [];
  const found = { isQuestion: false, isPlan: false, inDoubt: false };
  for (const clause of clauses) {
    const hasMark = /[?¿]/.test(clause);
    if (isPlan(clause)) {
      found.isPlan = true;
      found.isQuestion ||= hasMark;
    } else if (isQuestion(clause)) found.isQuestion = true;
    else if (!hasMark) rest.push(clause);
    else {
      found.isQuestion = true;
      if (tokensOf(clause, options).some(({ is }) => is === 'number' || is === 'ratio')) {
        found.inDoubt = true;
        rest.push(clause.replace(/[?¿]/g, ' '));
      }
    }
  }
  return { ...found, rest: rest.join(' ') };
}

/** Words that put the harm at another time than what they name: "after crane she pinched her finger". */
const ELSEWHEN = /(?:^| )(?:after|before|later|then|instead|despues|luego|antes|apres|avant|depois|antes de)(?: |$)/;

/** The tasks that were done when it hurt: where every clause with harm names just one, those; else none, which stands for all. */
function hurtTasks(clauses: readonly DangerClause[], options: TokensOptions): number[] {
  const named = clauses.map(({ text }) => namedIn(tokensOf(text, options).filter(isSurelyNamed)));
  const isSure = named.every((tasks) => tasks.length === 1) && !clauses.some(({ text }) => ELSEWHEN.test(wordsOf(text).join(' ')));
  return isSure ? [...new Set(named.flat())] : [];
}

/** True for a name, or a letter with a figure: the "a" of "she swallowed a bead" names no task, and puts all of them on hold. */
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
  const doubtful = doubtfulTasks(tokens);
  if (inDoubt || doubtful === null) return unclear;
  const segments = segmentsOf(tokens, today);
  if (!segments) return unclear;
  // A single help or effort word at the end may belong to the last task or to all.
  const tells = segments.map(({ tokens: own }) => own.some(({ is }) => is === 'help' || is === 'effort'));
  if (segments.length > 1 && tells.indexOf(true) === segments.length - 1 && tellsInWords(segments.at(-1)!)) return unclear;
  const pairs = segments.map(({ task, day }) => `${task.taskId} ${day}`);
  if (new Set(pairs).size < pairs.length) return unclear;
  const read = segments.map((segment) => (doubtful.has(segment.task) ? UNCLEAR : readSegment(segment)));
  const items = read.flatMap(({ item }) => item ?? []);
  const inDoubtAt = read.findIndex((each) => each.ask);
  const asked = read[inDoubtAt]?.ask ?? null;
  // The one part in doubt, beside others that are sure, is asked about alone.
  const ask: AskBack | null =
    asked?.code === 'unclear' && items.length > 0
      ? { code: 'howMany', item: blank(segments[inDoubtAt]!.task, segments[inDoubtAt]!.day) }
      : asked;
  return { ...EMPTY, kind: ask ? 'ask' : 'reports', items, ask, named };
}

/** The tasks in whose clause a word makes the count unsure. Null where such a word may be about any: its clause names none, or several. */
function doubtfulTasks(tokens: readonly Token[]): ReadonlySet<ReplyTask> | null {
  const found = new Set<ReplyTask>();
  let clause: Token[] = [];
  for (const token of [...tokens, { is: 'mark' } as const]) {
    if (token.is !== 'mark') {
      clause.push(token);
      continue;
    }
    const named = new Set(clause.flatMap((each) => (each.is === 'task' ? [each.task] : [])));
    if (clause.some(({ is }) => is === 'doubt')) {
      if (named.size !== 1) return null;
      for (const task of named) found.add(task);
    }
    clause = [];
  }
  return found;
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
    // Words right before a task, up to the mark before it, may belong to it.
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
