import type { CalendarDay } from '../calendar';
import type { TimelineInput } from '../stepTimeline';
import { outcomeOf, type DatedSession, type Outcome, type OutcomeSettings } from '../reports';
import { daysAtSteps } from './daysAtSteps';
import { outcomeSettingsAt } from './outcomeAt';
import { demandsOf, type GradeChange, type ProgramTask } from './programVersion';

/** A task's flight without its size: what the screen, the sheet and the phone each draw in their own room. */
export type StepTimeline = Omit<TimelineInput, 'size'> & {
  /** True while something that hurt has closed the task. */
  readonly closed?: boolean;
};

/** @param changes and sessions of this task alone, oldest first */
export function stepTimeline(
  task: ProgramTask,
  changes: readonly GradeChange[],
  sessions: readonly DatedSession[],
  today: CalendarDay,
  settings?: OutcomeSettings,
): StepTimeline {
  const demands = demandsOf(task.content);
  const outcomes: Outcome[][] = demands.map(() => []);
  for (const session of sessions)
    outcomes[session.step - 1]?.push(outcomeOf(session, session.target, outcomeSettingsAt(task.content, session.step, settings)));
  return {
    demands,
    daysSpent: daysAtSteps(changes, demands.length, today),
    currentStep: task.step,
    choose: { from: task.chooseFrom, to: task.chooseTo },
    outcomes,
  };
}
