import { dayTargetOf, doseAt, type PlannedDose } from '../dose';
import type { TaskContent } from '../tasks';
import type { ChildFacts } from './checkProgram';
import { contentFor, replacedAt } from './contentFor';
import { isReordered, sentLadders } from './sentLadders';
import type { PlannedTask, TaskChoices } from './programDraft';
import type { ProgramTask, ProgramVersion } from './programVersion';

/** A task as the next version of a program is to freeze it: all but what the version itself gives it. */
export type TaskToFreeze = Omit<ProgramTask, 'versionTaskId' | 'content'>;

/** Steps that a ladder may have. */
const MOST_STEPS = 12;

/** Lists the daily target of each step, from the first on: a report is judged by the step that it names. */
export function stepTargets(dose: PlannedDose): (number | null)[] {
  return Array.from({ length: MOST_STEPS }, (_, index) => dayTargetOf(doseAt(dose, index + 1)));
}

/**
 * The task at another step; the steps that the family may choose between move along.
 * @param stepSinceVersion the version that sets the step: evidence counts from there
 */
export function atStep(task: ProgramTask, toStep: number, stepSinceVersion: number): ProgramTask {
  const last = task.content.ladder.steps.length;
  const shift = toStep - task.step;
  return {
    ...task,
    target: dayTargetOf(doseAt(task.dose, toStep)),
    step: toStep,
    chooseFrom: Math.min(toStep, Math.max(1, task.chooseFrom + shift)),
    chooseTo: Math.max(toStep, Math.min(last, task.chooseTo + shift)),
    stepSinceVersion,
  };
}

/**
 * The task with a step change taken back: step, the family's choice and the evidence mark stand as before it, everything
 * else (dose, days, settings) as it is now.
 */
export function stepTakenBack(present: ProgramTask, before: ProgramTask): ProgramTask {
  const { step, chooseFrom, chooseTo, stepSinceVersion } = before;
  return { ...present, target: dayTargetOf(doseAt(present.dose, step)), step, chooseFrom, chooseTo, stepSinceVersion };
}

/** True where a task stands just as an earlier version left it: nothing of it was set anew since. */
export function standsAs(present: ProgramTask, left: ProgramTask): boolean {
  const placed = ({ taskVersionId, part, step, chooseFrom, chooseTo, weekdays, dose, choices, stepSinceVersion }: ProgramTask) =>
    JSON.stringify([taskVersionId, part, step, chooseFrom, chooseTo, weekdays, dose, choices, stepSinceVersion]);
  return placed(present) === placed(left);
}

/** The task's own version, as the library has it. */
export interface PlacedContent {
  readonly taskId: number;
  readonly taskVersionId: number;
  readonly content: TaskContent;
}

/**
 * A planned task as version `number` freezes it. The same step goes on: what was done at it under the version before still
 * counts as evidence; where the steps stand in another order, a number means another step, and evidence begins anew.
 */
export function toFreeze(
  planned: PlannedTask,
  placed: PlacedContent,
  child: ChildFacts,
  before: ProgramVersion | null,
  number: number,
): TaskToFreeze {
  const earlier = before?.tasks.find((candidate) => candidate.taskId === placed.taskId);
  const isSameOrder = !isReordered(
    sentLadders(before).find(({ taskVersionId }) => taskVersionId === earlier?.taskVersionId),
    contentFor(placed.content, planned.choices, child.taskSettings),
  );
  return {
    taskId: placed.taskId,
    taskVersionId: placed.taskVersionId,
    part: planned.part,
    step: planned.step,
    chooseFrom: planned.chooseFrom,
    chooseTo: planned.chooseTo,
    weekdays: [...planned.weekdays].sort((a, b) => a - b),
    dose: planned.dose,
    choices: frozenChoices(planned.choices, placed.content, child),
    target: dayTargetOf(doseAt(planned.dose, planned.step)),
    stepSinceVersion: earlier && earlier.step === planned.step && isSameOrder ? earlier.stepSinceVersion : number,
  };
}

/** The student's choices and the home's things must not change under the family later: both are written out. */
function frozenChoices(choices: TaskChoices, content: TaskContent, child: ChildFacts): TaskChoices {
  const settled = contentFor(content, choices, child.taskSettings);
  const { takesNewOrder: _taken, ...chosen } = choices;
  return {
    ...chosen,
    childSettings: child.taskSettings,
    replaced: replacedAt(settled, child.materialsAtHome, 1, settled.ladder.steps.length),
  };
}
