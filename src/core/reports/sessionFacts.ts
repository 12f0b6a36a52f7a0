import { addDays, parseCalendarDay, type CalendarDay } from '../calendar';
import { bad, good, type Result } from '../result';
import type { Watched, WatchItem } from '../vocabulary';
import type { Effort, StopReason } from './session';
import type { HelpLevel } from '../vocabulary';

/** Facts about one task on one day, by whichever way they came: typed, and judged by `checkSession` alone. */
export interface SessionFacts {
  readonly done: boolean;
  /** 1-based step that was really done. */
  readonly step: number;
  readonly doneOn: CalendarDay;
  /** Good ones by hand; null where not told. */
  readonly left: number | null;
  readonly right: number | null;
  /** Repetitions not told apart by hand, minutes (in halves), or pieces: whatever the target counts; null where not told. */
  readonly amount: number | null;
  /** How long it took, where it was said. */
  readonly minutes: number | null;
  readonly help: HelpLevel | null;
  readonly effort: Effort | null;
  readonly stopReason: StopReason | null;
  readonly safetyWord: boolean;
  /** `pressed`: *Something hurt* was touched and nothing told yet; `mistake`: that touch was a slip. Null for a plain report. */
  readonly press: Press | null;
  /** Answers to what the task asks to look for. */
  readonly watched?: Watched;
  readonly isQuestion: boolean;
  readonly words: string;
  readonly saidBy: string;
}

/** Buttons pressed before anything was reported. */
export const PRESSES = ['pressed', 'mistake'] as const;
export type Press = (typeof PRESSES)[number];

export type CountField = 'left' | 'right' | 'amount' | 'minutes';
export type ChoiceField = `watch_${WatchItem}` | 'done' | 'notDone' | 'help' | 'effort' | 'stopReason' | 'hurt' | 'press' | 'question';

/** Faults of a report, by field. `given` is the input, cut short. */
export type SessionIssue =
  | { readonly code: 'notWhole' | 'negative'; readonly path: CountField; readonly given: string }
  | { readonly code: 'tooMany'; readonly path: CountField; readonly given: number; readonly most: number }
  | { readonly code: 'countedNotDone'; readonly path: CountField; readonly given: number }
  | { readonly code: 'notADay'; readonly path: 'doneOn'; readonly given: string }
  | { readonly code: 'futureDay'; readonly path: 'doneOn'; readonly given: string; readonly today: string }
  | { readonly code: 'tooLongAgo'; readonly path: 'doneOn'; readonly given: string; readonly earliest: string }
  | { readonly code: 'tooLong'; readonly path: 'words' | 'saidBy'; readonly given: number; readonly most: number }
  | { readonly code: 'notAChoice'; readonly path: ChoiceField; readonly given: string }
  | { readonly code: 'notAllowedStep'; readonly path: 'step'; readonly given: string };

export interface SessionLimits {
  /** The family's today: no session lies after it. */
  readonly today: CalendarDay;
  /** Steps that the family may choose between, 1-based, both included. */
  readonly chooseFrom: number;
  readonly chooseTo: number;
  /** The step asked for. */
  readonly step: number;
  /** No session lies before it; 60 days back where it is not said. */
  readonly earliest?: CalendarDay;
  /** True where the amount is minutes, which are told in halves. */
  readonly takesHalves?: boolean;
}

/** More than any session holds; guards the sums against slips of the finger. */
export const MOST_REPETITIONS = 500;
export const MOST_WORDS = 2000;
export const MOST_NAME = 40;
const MOST_DAYS_BACK = 60;
const COUNT_FIELDS = ['left', 'right', 'amount', 'minutes'] as const;

/**
 * Judges what was said, the same for every way it came by: counts whole (minutes in halves) and within reason, a day that has been, a step that
 * was offered, no count of something that was not done. All faults come back at once, by field.
 */
export function checkSession(facts: SessionFacts, limits: SessionLimits): Result<SessionFacts, SessionIssue> {
  const issues = [
    ...COUNT_FIELDS.flatMap((path) => countIssues(path, facts[path], path === 'amount' && limits.takesHalves ? 0.5 : 1)),
    ...notDoneIssues(facts),
    ...stepIssues(facts.step, limits),
    ...dayIssues(facts.doneOn, limits),
    ...lengthIssues('words', facts.words, MOST_WORDS),
    ...lengthIssues('saidBy', facts.saidBy, MOST_NAME),
  ];
  return issues.length ? bad(...issues) : good(facts);
}

function countIssues(path: CountField, count: number | null, step: 0.5 | 1): SessionIssue[] {
  if (count === null) return [];
  if (!Number.isInteger(count / step)) return [{ code: 'notWhole', path, given: String(count).slice(0, 20) }];
  if (count < 0) return [{ code: 'negative', path, given: String(count) }];
  return count > MOST_REPETITIONS ? [{ code: 'tooMany', path, given: count, most: MOST_REPETITIONS }] : [];
}

function notDoneIssues(facts: SessionFacts): SessionIssue[] {
  if (facts.done) return [];
  return (['left', 'right', 'amount'] as const).flatMap((path) => {
    const given = facts[path] ?? 0;
    return given > 0 ? [{ code: 'countedNotDone', path, given } as const] : [];
  });
}

function stepIssues(step: number, limits: SessionLimits): SessionIssue[] {
  const isOffered = step === limits.step || (step >= limits.chooseFrom && step <= limits.chooseTo);
  return Number.isInteger(step) && isOffered ? [] : [{ code: 'notAllowedStep', path: 'step', given: String(step).slice(0, 20) }];
}

function dayIssues(given: CalendarDay, { today, earliest = addDays(today, -MOST_DAYS_BACK) }: SessionLimits): SessionIssue[] {
  if (!parseCalendarDay(given)) return [{ code: 'notADay', path: 'doneOn', given: String(given).slice(0, 20) }];
  if (given > today) return [{ code: 'futureDay', path: 'doneOn', given, today }];
  return given < earliest ? [{ code: 'tooLongAgo', path: 'doneOn', given, earliest }] : [];
}

function lengthIssues(path: 'words' | 'saidBy', text: string, most: number): SessionIssue[] {
  const given = [...text].length;
  return given > most ? [{ code: 'tooLong', path, given, most }] : [];
}
