import type { CalendarDay } from '../calendar';
import type { HelpLevel } from '../vocabulary';

export const EFFORTS = ['tooEasy', 'right', 'tooHard'] as const;
export type Effort = (typeof EFFORTS)[number];

export const STOP_REASONS = ['tired', 'upset', 'refused', 'pain', 'time', 'other', 'ill', 'missing', 'tooHard'] as const;
export type StopReason = (typeof STOP_REASONS)[number];

/** The ways by which word comes in. `measured` is what the therapist saw herself. */
export const REPORT_WAYS = ['link', 'text', 'paper', 'call', 'teacher', 'measured'] as const;
export type ReportWay = (typeof REPORT_WAYS)[number];

/** The ways by which staff type in what a family or a teacher reported. */
export const ENTRY_WAYS = ['paper', 'call', 'teacher'] as const satisfies readonly ReportWay[];
export type EntryWay = (typeof ENTRY_WAYS)[number];

/** A report of one task on one day. */
export interface Session {
  /** False where the family said that it was not done. No word at all makes no session. */
  readonly done: boolean;
  /** In the unit of the target: good repetitions, minutes or pieces. Null where it was done and nobody told how much: that is not 0. */
  readonly amount: number | null;
  /** How long it took, where it was said. */
  readonly minutes?: number | null | undefined;
  readonly help: HelpLevel | null;
  readonly effort: Effort | null;
  readonly stopReason: StopReason | null;
  readonly safetyWord: boolean;
}

export interface DatedSession extends Session {
  readonly reportId: number;
  readonly doneOn: CalendarDay;
  /** 1-based step that was really done. */
  readonly step: number;
  readonly versionNumber: number;
  /** Daily target of the step that was practiced, under the version that was used; null where it has none. */
  readonly target: number | null;
}
