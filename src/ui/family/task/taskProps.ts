import { factsOf } from '@/core/students';
import { doseAt, calculateDose } from '@/core/dose';
import type { TaskContent } from '@/core/tasks';
import type { FamilyTask as FamilyTaskView, FamilyView, SaidToday } from '@/server/reports/viewFamily';
import type { FamilyWords } from '../../shared/familyWords';

export interface FamilyTaskProps {
  readonly view: FamilyView;
  readonly found: FamilyTaskView;
  readonly place: { readonly index: number; readonly count: number };
  readonly token: string;
  readonly words: FamilyWords;
  readonly requestedStep: number;
  /** The day that is told of, where it is another than today. */
  readonly day: string | null;
  /** True where the task was done once more today: a report of its own. */
  readonly isAgain: boolean;
  /** A new report's own key for each step that may be done, so that a repeat makes no second one. */
  readonly keys: ReadonlyMap<number, string>;
  /** The key of what *Something hurt* sends. */
  readonly hurtKey: string;
}

/** Props of a screen that shows one step. */
export type PartProps = FamilyTaskProps & { readonly content: TaskContent; readonly step: number };
export type SaidProps = { readonly said: SaidToday | null };

/** The step that is shown, and those that may be swapped to. */
export function stepsOf({ found, requestedStep, isAgain }: Pick<FamilyTaskProps, 'found' | 'requestedStep' | 'isAgain'>) {
  const { task } = found;
  // A report under an earlier version stays as it is: a new version asks again. So does one more time on the same day.
  const said = !isAgain && found.reportedToday?.versionTaskId === task.versionTaskId ? found.reportedToday : null;
  const steps = Array.from({ length: task.chooseTo - task.chooseFrom + 1 }, (_, index) => task.chooseFrom + index);
  const step = steps.includes(requestedStep) ? requestedStep : (said?.step ?? task.step);
  return { said, step, steps: steps.includes(step) ? steps : [step] };
}

/** Builds the props of the drawn instructions of a step. */
export function instructions({ view, found: { task }, words, content, step }: PartProps) {
  const dose = doseAt(task.dose, step);
  return {
    content,
    step,
    child: { calledName: view.child.calledName, hand: view.child.hand, care: factsOf(view.child, view.today) },
    words,
    pieces: dose.piecesPerRepetition > 0 ? calculateDose(dose, 1).piecesPerDay : 0,
  };
}
