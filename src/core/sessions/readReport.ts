import { addDays, parseCalendarDay, type CalendarDay } from '../calendar';
import { bad, good, type Result } from '../result';
import { EFFORTS, HELP_LEVELS, STOP_REASONS, type Effort, type HelpLevel, type StopReason } from './session';

/** A report as a form or a request brings it: everything text, anything missing. */
export type RawReport = Readonly<Record<string, unknown>>;

export interface ReportContent {
  readonly done: boolean;
  readonly step: number;
  readonly doneOn: CalendarDay;
  readonly left: number;
  readonly right: number;
  /** Repetitions not told apart by hand, minutes, or pieces: whatever the target counts. */
  readonly amount: number;
  /** How long it took, where it was said. */
  readonly minutes: number | null;
  readonly help: HelpLevel | null;
  readonly effort: Effort | null;
  readonly stopReason: StopReason | null;
  readonly safetyWord: boolean;
  readonly isQuestion: boolean;
  readonly words: string;
  readonly saidBy: string;
}

export type ReportIssue =
  | { readonly code: 'notWhole' | 'negative'; readonly path: CountField; readonly given: string }
  | { readonly code: 'tooMany'; readonly path: CountField; readonly given: number; readonly most: number }
  | { readonly code: 'notADay'; readonly path: 'doneOn'; readonly given: string }
  | { readonly code: 'futureDay'; readonly path: 'doneOn'; readonly given: string; readonly today: string }
  | { readonly code: 'tooLongAgo'; readonly path: 'doneOn'; readonly given: string; readonly earliest: string }
  | { readonly code: 'tooLong'; readonly path: 'words' | 'saidBy'; readonly given: number; readonly most: number }
  | { readonly code: 'notAChoice'; readonly path: 'help' | 'effort' | 'stopReason'; readonly given: string }
  | { readonly code: 'notAllowedStep'; readonly path: 'step'; readonly given: string };

type CountField = 'left' | 'right' | 'amount' | 'minutes';

export interface ReportLimits {
  /** The family's today: no session lies after it. */
  readonly today: CalendarDay;
  /** Steps that the family may choose between, 1-based, both included. */
  readonly chooseFrom: number;
  readonly chooseTo: number;
  /** The step asked for, taken where none is named. */
  readonly step: number;
}

/** More than any session holds; guards the sums against slips of the finger. */
export const MOST_REPETITIONS = 500;
export const MOST_WORDS = 2000;
const MOST_NAME = 40;
const MOST_DAYS_BACK = 60;

/**
 * Reads a family's report. Nothing is guessed: what is wrong comes back by field, all of it at once.
 * @param raw fields `done`, `step`, `doneOn`, `left`, `right`, `amount`, `minutes`, `help`, `effort`, `stopReason`, `hurt`, `question`, `words`, `saidBy`
 */
export function readReport(raw: RawReport, limits: ReportLimits): Result<ReportContent, ReportIssue> {
  const issues: ReportIssue[] = [];
  const count = (path: CountField) => readCount(raw[path], path, issues);
  const content: ReportContent = {
    done: text(raw.done) !== 'no',
    step: readStep(raw.step, limits, issues),
    doneOn: readDay(raw.doneOn, limits.today, issues),
    left: count('left'),
    right: count('right'),
    amount: count('amount'),
    minutes: text(raw.minutes) === '' ? null : count('minutes'),
    help: readChoice(raw.help, HELP_LEVELS, 'help', issues),
    effort: readChoice(raw.effort, EFFORTS, 'effort', issues),
    stopReason: readChoice(raw.stopReason, STOP_REASONS, 'stopReason', issues),
    safetyWord: isTicked(raw.hurt) || text(raw.stopReason) === 'pain',
    isQuestion: isTicked(raw.question),
    words: readWords(raw.words, 'words', MOST_WORDS, issues),
    saidBy: readWords(raw.saidBy, 'saidBy', MOST_NAME, issues),
  };
  return issues.length ? bad(...issues) : good(content);
}

/** What counts towards the target, whichever way the family counted. */
export function amountOf(content: Pick<ReportContent, 'left' | 'right' | 'amount'>): number {
  return content.left + content.right + content.amount;
}

function text(value: unknown): string {
  return typeof value === 'string' ? value.trim() : typeof value === 'number' ? String(value) : '';
}

function isTicked(value: unknown): boolean {
  return value === true || ['on', 'yes', 'true', '1'].includes(text(value));
}

function readCount(value: unknown, path: CountField, issues: ReportIssue[]): number {
  const given = text(value);
  if (given === '') return 0;
  const number = Number(given);
  if (!Number.isInteger(number)) issues.push({ code: 'notWhole', path, given: given.slice(0, 20) });
  else if (number < 0) issues.push({ code: 'negative', path, given });
  else if (number > MOST_REPETITIONS) issues.push({ code: 'tooMany', path, given: number, most: MOST_REPETITIONS });
  return number;
}

function readStep(value: unknown, limits: ReportLimits, issues: ReportIssue[]): number {
  const given = text(value);
  if (given === '') return limits.step;
  const step = Number(given);
  const allowed = step === limits.step || (step >= limits.chooseFrom && step <= limits.chooseTo);
  if (!Number.isInteger(step) || !allowed) issues.push({ code: 'notAllowedStep', path: 'step', given: given.slice(0, 20) });
  return step;
}

function readDay(value: unknown, today: CalendarDay, issues: ReportIssue[]): CalendarDay {
  const given = text(value);
  if (given === '') return today;
  const day = parseCalendarDay(given);
  const earliest = addDays(today, -MOST_DAYS_BACK);
  if (!day) issues.push({ code: 'notADay', path: 'doneOn', given: given.slice(0, 20) });
  else if (day > today) issues.push({ code: 'futureDay', path: 'doneOn', given, today });
  else if (day < earliest) issues.push({ code: 'tooLongAgo', path: 'doneOn', given, earliest });
  return day ?? today;
}

function readChoice<Choice extends string>(
  value: unknown,
  choices: readonly Choice[],
  path: 'help' | 'effort' | 'stopReason',
  issues: ReportIssue[],
): Choice | null {
  const given = text(value);
  if (given === '') return null;
  const choice = choices.find((candidate) => candidate === given);
  if (!choice) issues.push({ code: 'notAChoice', path, given: given.slice(0, 20) });
  return choice ?? null;
}

/** Control characters and halves of characters go, everything else that people write stays: emoji, right-to-left text, angle brackets. */
function readWords(value: unknown, path: 'words' | 'saidBy', most: number, issues: ReportIssue[]): string {
  const words = text(value)
    .replace(/\r\n?/g, '\n')
    .replace(/(?![\n\t])[\p{Cc}\p{Surrogate}]/gu, '');
  const length = [...words].length;
  if (length > most) issues.push({ code: 'tooLong', path, given: length, most });
  return words;
}
