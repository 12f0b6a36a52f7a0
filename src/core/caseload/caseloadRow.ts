import { factsText } from './factsText';
import { practiceOf, type Practice, type PracticeReport } from '../adherence';
import { addDays, daysBetween, daysFromTo, type CalendarDay } from '../calendar';
import type { Skill } from '../vocabulary';
import type { LocalText } from '../text';
import { daysAtSteps } from '../programs';
import { nameOf, type Child } from '../students';
import { daysWithoutReport, plannedSpans, restOf, type ProgramVersion, type Rest, type SentVersion } from '../programs';
import { demandsOf, stepName, type GradeChange } from '../programs';

export interface RowTimeline {
  readonly taskId: number;
  readonly title: LocalText;
  readonly skill: Skill;
  readonly stepName: LocalText;
  readonly step: number;
  readonly demands: readonly number[];
  readonly daysSpent: readonly number[];
  /** True while something that hurt has closed the task. */
  readonly closed: boolean;
}

export interface CaseloadRow {
  readonly childId: number;
  readonly name: string;
  readonly school: string;
  readonly visitDays: string;
  /** Text that a search finds beside name, school and tasks. */
  readonly facts: string;
  readonly timelines: readonly RowTimeline[];
  readonly practice: Practice;
  /** Null where no report ever came. */
  readonly daysSinceWord: number | null;
  /** Null where no report is expected. */
  readonly daysWithoutReport: number | null;
  readonly endsOn: CalendarDay | null;
  /** Nothing is asked: ended by a person, or resting till a day. */
  readonly rest: Rest | null;
  /** The first day on which an open goal is to be looked at again; it may have gone by. Null where no goal is open. */
  readonly reviewOn: CalendarDay | null;
  /** Contact to write to or call first; empty where none is known. */
  readonly contact: string;
}

export interface CaseloadInput {
  readonly child: Child;
  /** The version that was sent last; null where none was. */
  readonly current: ProgramVersion | null;
  readonly versions: readonly SentVersion[];
  readonly changes: readonly GradeChange[];
  readonly reports: readonly PracticeReport[];
  readonly lastWordOn: CalendarDay | null;
  readonly closedTaskIds: readonly number[];
  readonly reviewOn: CalendarDay | null;
}

/** For how many days back the yard can look. */
export const CASELOAD_SPANS = [14, 28] as const;
export type CaseloadSpan = (typeof CASELOAD_SPANS)[number];

/** The days that the yard looks at: a fortnight or two, today the last of them. Today is still open: see `practiceOf`. */
export function caseloadDays(today: CalendarDay, span: CaseloadSpan = 14): CalendarDay[] {
  return daysFromTo(addDays(today, 1 - span), today);
}

/**
 * Builds a student's row of the caseload: step timelines, two weeks of practice, dose given and asked, latest report.
 * @throws RangeError where a task stands on a step that its ladder does not have.
 */
export function caseloadRow(
  { child, current, versions, changes, reports, lastWordOn, closedTaskIds, reviewOn }: CaseloadInput,
  today: CalendarDay,
  span: CaseloadSpan = 14,
): CaseloadRow {
  return {
    childId: child.id,
    name: nameOf(child),
    school: child.school,
    visitDays: child.visitDays,
    facts: factsText(child),
    timelines: (current?.tasks ?? []).map((task) => ({
      taskId: task.taskId,
      title: task.content.title,
      stepName: stepName(task.content, task.step),
      step: task.step,
      skill: task.content.skill,
      demands: demandsOf(task.content),
      daysSpent: daysAtSteps(
        changes.filter((change) => change.taskId === task.taskId),
        task.content.ladder.steps.length,
        today,
      ),
      closed: closedTaskIds.includes(task.taskId),
    })),
    practice: practiceOf(caseloadDays(today, span), plannedSpans(versions), reports, today),
    daysSinceWord: lastWordOn === null ? null : daysBetween(lastWordOn, today),
    daysWithoutReport: daysWithoutReport(current, lastWordOn, today),
    endsOn: current?.endsOn ?? null,
    rest: current && restOf(current, today),
    reviewOn,
    contact: contactLine(child),
  };
}

function contactLine({ contacts: [first] }: Child): string {
  if (!first) return '';
  const { name, relation, way, reach } = first;
  return [relation && relation !== name ? `${name} (${relation})` : name, reach || way].filter(Boolean).join(', ');
}
