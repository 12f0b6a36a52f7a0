import type { CalendarDay } from '../calendar';
import { bad, good, type Result } from '../result';
import { dangerIn } from '../safety';
import { HELP_LEVELS, WATCH_ANSWERS, WATCH_ITEMS } from '../vocabulary';
import { EFFORTS, STOP_REASONS } from './session';
import {
  checkSession,
  MOST_NAME,
  MOST_WORDS,
  PRESSES,
  type ChoiceField,
  type CountField,
  type SessionFacts,
  type SessionIssue,
  type SessionLimits,
} from './sessionFacts';

/** A report as a form or a request brings it: everything text, anything missing. */
export type RawReport = Readonly<Record<string, unknown>>;

const YES_NO = { yes: true, no: false } as const;
/** Values that a ticked box sends, and that a person or a program may write instead. */
const TICKS = { on: true, yes: true, true: true, '1': true, no: false, off: false, false: false, '0': false } as const;
const WHOLE = /^[+-]?\d+$/;
const HALVES = /^[+-]?\d+(?:[.,][05])?$/;

/**
 * Reads a family's form. A word that is not understood is an issue with its field, never a guess; an empty field is a thing
 * that was not told. What is read is judged by `checkSession`, and all faults come back at once.
 * @param raw fields `done` (yes, no), or `notDone` with the reason, `step`, `doneOn`, `left`, `right`, `amount`, `minutes`, `help`, `effort`, `stopReason`, `hurt`, `question`, `words`, `saidBy`, `watch_<item>`
 */
export function readForm(raw: RawReport, limits: SessionLimits): Result<SessionFacts, SessionIssue> {
  const issues: SessionIssue[] = [];
  const count = (path: CountField) => readCount(raw[path], path, issues);
  const choice = <Choice extends string>(path: ChoiceField, choices: readonly Choice[]) => readChoice(raw[path], choices, path, issues);
  const tick = (path: 'hurt' | 'question') => {
    const word = readChoice(raw[path], Object.keys(TICKS) as (keyof typeof TICKS)[], path, issues);
    return word === null ? false : TICKS[word];
  };
  // A single tap reports both that it was not done and why.
  const notDone = choice('notDone', STOP_REASONS);
  const done = notDone === null ? choice('done', ['yes', 'no']) : 'no';
  const stopReason = notDone ?? choice('stopReason', STOP_REASONS);
  const facts: SessionFacts = {
    done: done === null ? true : YES_NO[done],
    step: text(raw.step) === '' ? limits.step : wholeOf(text(raw.step)),
    doneOn: text(raw.doneOn) === '' ? limits.today : (text(raw.doneOn) as CalendarDay),
    left: count('left'),
    right: count('right'),
    amount: count('amount'),
    minutes: count('minutes'),
    help: choice('help', HELP_LEVELS),
    effort: choice('effort', EFFORTS),
    stopReason,
    safetyWord: tick('hurt') || stopReason === 'pain',
    press: choice('press', PRESSES),
    watched: Object.fromEntries(
      WATCH_ITEMS.flatMap((item) => {
        const seen = choice(`watch_${item}`, WATCH_ANSWERS[item]);
        return seen === null ? [] : [[item, seen]];
      }),
    ),
    isQuestion: tick('question'),
    words: readWords(raw.words),
    saidBy: readWords(raw.saidBy),
  };
  const judged = checkSession(facts, limits);
  const all = [...issues, ...(judged.ok ? [] : judged.issues)];
  if (all.length === 0) return judged;
  return tellsOfHarm(raw, facts) ? good(harmAlone(raw, facts, limits)) : bad(...inOrderOfForm(all));
}

function tellsOfHarm(raw: RawReport, facts: SessionFacts): boolean {
  const hurt = text(raw.hurt).toLowerCase();
  return facts.safetyWord || (hurt !== '' && TICKS[hurt as keyof typeof TICKS] !== false) || dangerIn(facts.words).length > 0;
}

/** A fault beside a report of harm never keeps the harm out: it is taken in with its words, and what could not be read stands behind them. */
function harmAlone(raw: RawReport, facts: SessionFacts, limits: SessionLimits): SessionFacts {
  const nothing = {
    left: null,
    right: null,
    amount: null,
    minutes: null,
    help: null,
    effort: null,
    stopReason: null,
    press: null,
  } as const;
  const plain: SessionFacts = {
    ...facts,
    ...nothing,
    done: true,
    safetyWord: true,
    watched: {},
    words: '',
    saidBy: [...facts.saidBy].slice(0, MOST_NAME).join(''),
  };
  const step = checkSession({ ...plain, doneOn: limits.today }, limits).ok ? facts.step : limits.step;
  const doneOn = checkSession({ ...plain, step }, limits).ok ? facts.doneOn : limits.today;
  const unread = (['left', 'right', 'amount', 'minutes', 'doneOn'] as const).flatMap((field) => {
    const given = text(raw[field]).slice(0, 20);
    return given === '' || (field === 'doneOn' && given === doneOn) ? [] : [`${field}: ${given}`];
  });
  const words = [facts.words, ...(unread.length ? [`(${unread.join(', ')})`] : [])].filter(Boolean).join('\n');
  return { ...plain, step, doneOn, words: [...words].slice(0, MOST_WORDS).join('') };
}

const FIELDS = [
  'left',
  'right',
  'amount',
  'minutes',
  'help',
  'effort',
  'stopReason',
  'words',
  'question',
  'hurt',
  'press',
  'doneOn',
  'saidBy',
  'done',
  'notDone',
  'step',
];

/** As the fields stand on the form, so that the first fault is the first that is met. */
function inOrderOfForm(issues: readonly SessionIssue[]): SessionIssue[] {
  return [...issues].sort((a, b) => FIELDS.indexOf(a.path) - FIELDS.indexOf(b.path));
}

function text(value: unknown): string {
  return typeof value === 'string' ? value.trim() : typeof value === 'number' || typeof value === 'boolean' ? String(value) : '';
}

function wholeOf(given: string): number {
  return WHOLE.test(given) ? Number(given) : Number.NaN;
}

/** Halves are written with a point or a comma; whether they fit is judged later. */
function numberOf(given: string): number {
  return HALVES.test(given) ? Number(given.replace(',', '.')) : Number.NaN;
}

function readCount(value: unknown, path: CountField, issues: SessionIssue[]): number | null {
  // An empty box, or no box, tells nothing; a thing that is no text and no number is not understood.
  if (value === undefined || value === null || value === '') return null;
  const given = text(value);
  if (given === '' && typeof value === 'string') return null;
  const number = path === 'amount' ? numberOf(given) : wholeOf(given);
  if (Number.isNaN(number)) {
    issues.push({ code: 'notWhole', path, given: (given || JSON.stringify(value) || '?').slice(0, 20) });
    return null;
  }
  return number;
}

function readChoice<Choice extends string>(
  value: unknown,
  choices: readonly Choice[],
  path: ChoiceField,
  issues: SessionIssue[],
): Choice | null {
  if (value === undefined || value === null) return null;
  const given = text(value);
  if (given === '' && typeof value === 'string') return null;
  const choice = choices.find((candidate) => candidate === given);
  if (!choice) issues.push({ code: 'notAChoice', path, given: (given || JSON.stringify(value) || '?').slice(0, 20) });
  return choice ?? null;
}

/** Control characters and halves of characters go, everything else that people write stays: emoji, right-to-left text, angle brackets. */
function readWords(value: unknown): string {
  return text(value)
    .replace(/\r\n?/g, '\n')
    .replace(/(?![\n\t])[\p{Cc}\p{Surrogate}]/gu, '');
}
