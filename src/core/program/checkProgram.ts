import { daysBetween, type CalendarDay } from '../calendar';
import { minutesOf } from '../dose';
import { hazardsOf, isNeededAt, PARTS, type Hazard, type Hand, type TaskContent } from '../tasks';
import type { PlannedTask, ProgramDraft } from './programDraft';

/** The facts of a child that change what may be sent. */
export interface ChildFacts {
  readonly ageYears: number;
  readonly hand: Hand;
  readonly mouthsThings: boolean;
  readonly scissorsAllowed: boolean;
  readonly allergies: readonly string[];
  readonly texturesAvoided: readonly string[];
  readonly minutesPerDay: number;
  readonly materialsAtHome: readonly string[];
}

/** `task` is the index in the draft, null for what concerns the whole program. Errors stop sending; cautions do not. */
export type ProgramFinding =
  | { readonly severity: 'error'; readonly code: 'noTasks' | 'endsBeforeStart' | 'endedAlready'; readonly task: null }
  | { readonly severity: 'caution'; readonly code: 'overBudget'; readonly task: null; readonly weekday: number; readonly minutes: number; readonly budget: number }
  | { readonly severity: 'caution'; readonly code: 'writingWithoutWarmUp'; readonly task: null }
  | { readonly severity: 'error'; readonly code: 'stepOffLadder' | 'chooseOffLadder' | 'chooseWithoutStep' | 'noDays' | 'twice'; readonly task: number }
  | { readonly severity: 'error' | 'caution'; readonly code: 'hazard'; readonly task: number; readonly hazard: Hazard }
  | { readonly severity: 'caution'; readonly code: 'age'; readonly task: number; readonly fromYears: number; readonly toYears: number }
  | { readonly severity: 'caution'; readonly code: 'missingAtHome'; readonly task: number; readonly materials: readonly number[] };

/**
 * What is wrong with a draft for this child, beside the place it speaks of. Source of the cautions: common practice, no
 * published source; they defer to the therapist's judgement and local rules.
 * @param tasks content of each draft task, by its index
 */
export function checkProgram(draft: ProgramDraft, tasks: readonly TaskContent[], child: ChildFacts, today: CalendarDay): ProgramFinding[] {
  const findings: ProgramFinding[] = [];
  if (draft.tasks.length === 0) findings.push({ severity: 'error', code: 'noTasks', task: null });
  if (daysBetween(draft.startsOn, draft.endsOn) < 0) findings.push({ severity: 'error', code: 'endsBeforeStart', task: null });
  else if (draft.endsOn < today) findings.push({ severity: 'error', code: 'endedAlready', task: null });
  draft.tasks.forEach((planned, index) => {
    findings.push(...checkPlacement(planned, index, tasks[index]!, draft), ...checkForChild(planned, tasks[index]!, index, child));
  });
  findings.push(...checkBudget(draft, child), ...checkOrder(draft));
  return findings;
}

function checkPlacement(planned: PlannedTask, task: number, content: TaskContent, draft: ProgramDraft): ProgramFinding[] {
  const steps = content.ladder.steps.length;
  const findings: ProgramFinding[] = [];
  const add = (code: 'stepOffLadder' | 'chooseOffLadder' | 'chooseWithoutStep' | 'noDays' | 'twice') =>
    findings.push({ severity: 'error', code, task });
  if (planned.step > steps) add('stepOffLadder');
  if (planned.chooseTo > steps || planned.chooseFrom > planned.chooseTo) add('chooseOffLadder');
  else if (planned.step < planned.chooseFrom || planned.step > planned.chooseTo) add('chooseWithoutStep');
  if (planned.weekdays.length === 0) add('noDays');
  if (draft.tasks.findIndex((other) => other.taskVersionId === planned.taskVersionId) < task) add('twice');
  return findings;
}

function checkForChild({ chooseFrom, chooseTo }: PlannedTask, content: TaskContent, task: number, child: ChildFacts): ProgramFinding[] {
  const findings: ProgramFinding[] = hazardsOf(content, chooseFrom, chooseTo).flatMap((hazard) => {
    const severity = severityFor(hazard, child);
    return severity ? [{ severity, code: 'hazard' as const, task, hazard }] : [];
  });
  const { fromYears, toYears } = content.ages;
  if (child.ageYears < fromYears || child.ageYears > toYears) {
    findings.push({ severity: 'caution', code: 'age', task, fromYears, toYears });
  }
  const materials = content.materials.flatMap((material, index) => (child.materialsAtHome.includes(material.id) || !isNeededAt(material, chooseFrom, chooseTo) ? [] : [index]));
  if (materials.length) findings.push({ severity: 'caution', code: 'missingAtHome', task, materials });
  return findings;
}

function severityFor(hazard: Hazard, child: ChildFacts): 'error' | 'caution' | null {
  switch (hazard) {
    case 'blade':
      return child.scissorsAllowed ? null : 'error';
    case 'smallPart':
      return child.mouthsThings || child.ageYears < 3 ? 'caution' : null;
    case 'wheat':
    case 'latex':
      return child.allergies.includes(hazard) ? 'error' : null;
    case 'glue':
      return child.texturesAvoided.includes('sticky') ? 'caution' : null;
    case 'cord':
    case 'wetFloor':
    case 'moving':
      return null;
  }
}

/** Minutes of the draft's tasks on one ISO weekday. */
export function minutesOnWeekday(draft: Pick<ProgramDraft, 'tasks'>, weekday: number): number {
  return draft.tasks.filter((task) => task.weekdays.includes(weekday)).reduce((sum, task) => sum + minutesOf(task.dose), 0);
}

function checkBudget(draft: ProgramDraft, child: ChildFacts): ProgramFinding[] {
  const days = [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, minutes: Math.round(minutesOnWeekday(draft, weekday)) }));
  const fullest = days.reduce((most, day) => (day.minutes > most.minutes ? day : most));
  if (fullest.minutes <= child.minutesPerDay) return [];
  return [{ severity: 'caution', code: 'overBudget', task: null, ...fullest, budget: child.minutesPerDay }];
}

/** Warm-ups come before writing. */
function checkOrder(draft: ProgramDraft): ProgramFinding[] {
  const parts = new Set(draft.tasks.map((task) => task.part));
  return parts.has('writing') && !parts.has('warmUp') ? [{ severity: 'caution', code: 'writingWithoutWarmUp', task: null }] : [];
}

/** The draft's tasks in the order of the session's parts; within a part as they were placed. */
export function inOrderOfParts<Task extends { readonly part: PlannedTask['part'] }>(tasks: readonly Task[]): Task[] {
  return PARTS.flatMap((part) => tasks.filter((task) => task.part === part));
}
