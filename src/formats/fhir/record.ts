import type { CalendarDay, Instant } from '@/core/calendar';
import type { Child } from '@/core/students';
import type { GoalContent } from '@/core/goals';
import type { ProgramVersion } from '@/core/programs';
import type { Danger } from '@/core/safety';
import type { DatedSession, ReportWay } from '@/core/reports';
import type { HelpLevel } from '@/core/vocabulary';

/** Data of a student for FHIR: as much as the export knows, and no more than it needs. */
export interface FhirRecord {
  readonly writtenAt: Instant;
  readonly child: Pick<Child, 'id' | 'calledName' | 'initial' | 'hand'>;
  readonly goals: readonly {
    readonly id: number;
    readonly content: GoalContent;
    /** From where to where, in words. */
    readonly criterion: string;
    readonly closedOn: CalendarDay | null;
    readonly closedWhy: string;
  }[];
  /** The version in force; null where nothing was sent yet. */
  readonly program: ProgramVersion | null;
  readonly sessions: readonly (DatedSession & {
    readonly taskId: number;
    readonly left: number | null;
    readonly right: number | null;
    readonly way: ReportWay;
    readonly saidBy: string;
    readonly words: string;
    readonly danger: Danger | null;
    readonly mistake: boolean;
  })[];
  readonly measurements: readonly {
    readonly id: number;
    readonly goalId: number | null;
    readonly measuredOn: CalendarDay;
    readonly good: number | null;
    readonly trials: number | null;
    readonly help: HelpLevel | null;
    readonly minutes: number | null;
    readonly note: string;
    readonly by: string;
  }[];
  readonly messages: readonly {
    readonly id: number;
    readonly words: string;
    readonly createdAt: Instant;
    readonly handedOverAt: Instant | null;
    readonly createdBy: string | null;
  }[];
  readonly changes: readonly {
    readonly id: number;
    readonly taskId: number;
    readonly fromStep: number | null;
    readonly toStep: number;
    readonly reason: string;
    readonly changedBy: string;
    readonly changedAt: Instant;
  }[];
}
