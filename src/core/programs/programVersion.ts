import type { CalendarDay } from '../calendar';
import type { PlannedDose } from '../dose';
import { demandOf } from '../knobs';
import type { TaskChoices } from './programDraft';
import type { LocalText } from '../text';
import type { Part } from '../vocabulary';
import type { TaskContent } from '../tasks';

/** A task as one version of a program asks for it. */
export interface ProgramTask {
  readonly versionTaskId: number;
  readonly taskId: number;
  readonly taskVersionId: number;
  /** As this child is given it: settings, skin and substitutes are in. */
  readonly content: TaskContent;
  readonly choices: TaskChoices;
  readonly part: Part;
  readonly step: number;
  readonly chooseFrom: number;
  readonly chooseTo: number;
  readonly weekdays: readonly number[];
  readonly dose: PlannedDose;
  /** Target of a day at today's step; null where it has none. */
  readonly target: number | null;
  readonly stepSinceVersion: number;
}

/** A frozen version of a student's program. */
export interface ProgramVersion {
  readonly programId: number;
  readonly number: number;
  readonly startsOn: CalendarDay;
  readonly endsOn: CalendarDay;
  readonly sentOn: CalendarDay;
  /** Lets the practice rest till this day; null where it does not. */
  readonly resumesOn: CalendarDay | null;
  /** A person ended the practice. */
  readonly isEnded: boolean;
  readonly note: string;
  readonly tasks: readonly ProgramTask[];
}

/** A change of the step of one task, as the grade history keeps it. */
export interface GradeChange {
  readonly taskId: number;
  readonly fromStep: number | null;
  readonly toStep: number;
  readonly changedOn: CalendarDay;
}

export function demandsOf(content: Pick<TaskContent, 'knobs' | 'ladder'>): number[] {
  let most = -Infinity;
  // A substitute may level two steps: the flight then runs level there, it never falls.
  return content.ladder.steps.map((step) => (most = Math.max(most, demandOf(content.knobs, step.grade))));
}

export function stepName(content: Pick<TaskContent, 'ladder'>, step: number): LocalText {
  const found = content.ladder.steps[step - 1];
  if (!found) throw new RangeError(`Step ${step} is not on a ladder of ${content.ladder.steps.length}`);
  return found.name;
}
