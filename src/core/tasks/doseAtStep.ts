import { withStepDose, type Dose, type PlannedDose } from '../dose';
import type { TaskContent } from './taskContent';

/** How much of a task is asked for at one of its steps. @param step 1-based */
export function doseAtStep({ dose, ladder }: Pick<TaskContent, 'dose' | 'ladder'>, step: number): Dose {
  return withStepDose(dose, ladder.steps[step - 1]?.dose);
}

/** The dose as it is placed in a program: with all that steps ask for in their own way. */
export function plannedDoseOf({ dose, ladder }: Pick<TaskContent, 'dose' | 'ladder'>): PlannedDose {
  const own = ladder.steps.flatMap((step, index) => (step.dose ? [[String(index + 1), step.dose] as const] : []));
  return own.length ? { ...dose, atSteps: Object.fromEntries(own) } : dose;
}
