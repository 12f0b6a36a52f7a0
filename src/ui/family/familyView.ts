import type { CalendarDay, Instant } from '@/core/calendar';
import type { Child } from '@/core/child';
import type { ProgramTask, ProgramVersion } from '@/core/program';
import type { Effort, HelpLevel, StopReason } from '@/core/sessions';

export interface SaidToday {
  readonly reportId: number;
  readonly versionTaskId: number;
  readonly step: number;
  readonly done: boolean;
  readonly amount: number;
  readonly target: number;
  readonly left: number;
  readonly right: number;
  readonly plainAmount: number;
  readonly minutes?: number | null | undefined;
  readonly help: HelpLevel | null;
  readonly effort: Effort | null;
  readonly stopReason: StopReason | null;
  readonly safetyWord: boolean;
  readonly isQuestion: boolean;
  readonly words: string;
  readonly saidBy: string;
  readonly saidAt: Instant;
  readonly doneOn: CalendarDay;
}

export interface FamilyTaskView {
  readonly task: ProgramTask;
  readonly reportedToday: SaidToday | null;
  /** Something hurt at this task, and no person has read of it yet. */
  readonly onHold: boolean;
}

export interface FamilyDayView {
  readonly child: Child;
  readonly today: CalendarDay;
  readonly version: ProgramVersion | null;
  readonly tasks: readonly FamilyTaskView[];
  readonly otherTasks: readonly FamilyTaskView[];
  readonly emergencyNumber: string;
}
