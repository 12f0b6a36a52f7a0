import type { LocalText } from '../text';
import { daysBetween, type CalendarDay } from '../calendar';
import { checkHeavyGrip, doseAt, minutesOf } from '../dose';
import { matchHome } from '../materials';
import type { Precaution, SafetyFinding } from '../safety';
import { PARTS, SKINS, type Skin } from '../vocabulary';
import type { Hand, Material, Substitute, TaskContent, TaskSettings } from '../tasks';
import { isReordered, type SentLadder } from './sentLadders';
import { contentFor } from './contentFor';
import type { PlannedTask, ProgramDraft } from './programDraft';
import { safetyBetween } from './safetyBetween';

/** The facts of a child that change what may be sent. */
export interface ChildFacts {
  readonly ageYears: number;
  readonly hand: Hand;
  readonly mouthsThings: boolean;
  readonly scissorsAllowed: boolean;
  readonly allergies: readonly string[];
  readonly texturesAvoided: readonly string[];
  readonly precautions: readonly Precaution[];
  /** ISO weekdays on which this family practises. */
  readonly practiceWeekdays: readonly number[];
  /** Dresses of tasks that the family does not want. */
  readonly themesNotWanted: readonly Skin[];
  readonly minutesPerDay: number;
  readonly materialsAtHome: readonly string[];
  /** Settings that the therapist chose for this student where schools of thought differ. */
  readonly taskSettings: TaskSettings;
}

/** `task` is the index in the draft, null for what concerns the whole program. Errors stop sending; cautions are read first; notes only tell. */
export type ProgramFinding =
  | { readonly severity: 'error'; readonly code: 'noTasks' | 'endsBeforeStart' | 'endedAlready'; readonly task: null }
  | {
      readonly severity: 'caution';
      readonly code: 'overBudget';
      readonly task: null;
      readonly weekday: number;
      readonly minutes: number;
      readonly budget: number;
    }
  | { readonly severity: 'caution'; readonly code: 'writingWithoutWarmUp'; readonly task: null }
  | { readonly severity: 'caution'; readonly code: 'themeNotWanted'; readonly task: number }
  | { readonly severity: 'caution'; readonly code: 'notAFamilyDay'; readonly task: null; readonly weekday: number }
  | {
      readonly severity: 'error';
      readonly code: 'stepOffLadder' | 'chooseOffLadder' | 'chooseWithoutStep' | 'noDays' | 'twice';
      readonly task: number;
    }
  /** Settings of today would give the family the steps in another order than they were sent: keep that one, or take the new. */
  | { readonly severity: 'error'; readonly code: 'orderChanged'; readonly task: number; readonly sent: SentLadder }
  /** A rule that blocks, or that asks for a reason and has none yet, is an error; the rest are cautions. */
  | { readonly severity: 'error' | 'caution'; readonly code: 'safety'; readonly task: number; readonly finding: SafetyFinding }
  | { readonly severity: 'caution'; readonly code: 'missingAtHome'; readonly task: number; readonly materials: readonly Material[] }
  | {
      readonly severity: 'note';
      readonly code: 'replaced';
      readonly task: number;
      readonly replaced: readonly { readonly material: Material; readonly by: Substitute; readonly count: number }[];
    }
  /** Much the same as a task before it, in another dress. */
  | { readonly severity: 'note'; readonly code: 'sameFamily'; readonly task: number; readonly as: LocalText }
  | { readonly severity: 'caution'; readonly code: 'substituteLevels'; readonly task: number; readonly steps: readonly number[] }
  | {
      readonly severity: 'caution';
      readonly code: 'heavyGripOverCap';
      readonly task: null;
      readonly weekday: number;
      readonly repetitions: number;
      readonly cap: number;
    }
  | { readonly severity: 'caution'; readonly code: 'heavyGripNoRest'; readonly task: null; readonly weekday: number };

/**
 * Checks a draft for this student, each finding with its place. Source of the cautions: common practice, no published source; they
 * defer to the therapist's judgment and local rules.
 * @param tasks content of each draft task, by its index
 * @param sent the ladders that the family has now
 */
export function checkProgram(
  draft: ProgramDraft,
  tasks: readonly TaskContent[],
  child: ChildFacts,
  today: CalendarDay,
  sent: readonly SentLadder[] = [],
): ProgramFinding[] {
  const findings: ProgramFinding[] = [];
  if (draft.tasks.length === 0) findings.push({ severity: 'error', code: 'noTasks', task: null });
  if (daysBetween(draft.startsOn, draft.endsOn) < 0) findings.push({ severity: 'error', code: 'endsBeforeStart', task: null });
  else if (draft.endsOn < today) findings.push({ severity: 'error', code: 'endedAlready', task: null });
  draft.tasks.forEach((planned, index) => {
    findings.push(
      ...checkPlacement(planned, index, tasks[index]!, draft, child),
      ...checkOrderOfSteps(planned, index, tasks[index]!, child, sent),
      ...checkForChild(planned, tasks[index]!, index, child),
    );
  });
  findings.push(
    ...checkFamilies(tasks),
    ...checkBudget(draft, child),
    ...checkFamilyDays(draft, child),
    ...checkOrder(draft),
    ...checkHeavyGrip(draft.tasks.map(({ dose, step, weekdays }) => ({ dose: doseAt(dose, step), weekdays }))).map(
      (found) => ({ severity: 'caution', task: null, ...found }) as const,
    ),
  );
  return findings;
}

function checkPlacement(
  planned: PlannedTask,
  task: number,
  content: TaskContent,
  draft: ProgramDraft,
  child: ChildFacts,
): ProgramFinding[] {
  const steps = contentFor(content, planned.choices, child.taskSettings).ladder.steps.length;
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

function checkOrderOfSteps(
  planned: PlannedTask,
  task: number,
  content: TaskContent,
  child: ChildFacts,
  all: readonly SentLadder[],
): ProgramFinding[] {
  const sent = all.find(({ taskVersionId }) => taskVersionId === planned.taskVersionId);
  if (!sent || planned.choices.takesNewOrder || !isReordered(sent, contentFor(content, planned.choices, child.taskSettings))) return [];
  return [{ severity: 'error', code: 'orderChanged', task, sent }];
}

function checkForChild(planned: PlannedTask, content: TaskContent, task: number, child: ChildFacts): ProgramFinding[] {
  const { chooseFrom, chooseTo, choices } = planned;
  const settled = contentFor(content, choices, child.taskSettings);
  const match = matchHome(settled, child.materialsAtHome, chooseFrom, chooseTo);
  const findings = safetyBetween(match.task, chooseFrom, chooseTo, child, choices.reasons).map(({ finding, stops }): ProgramFinding => ({
    severity: stops ? 'error' : 'caution',
    code: 'safety',
    task,
    finding,
  }));
  if (child.themesNotWanted.includes(choices.skin ?? SKINS[0])) findings.push({ severity: 'caution', code: 'themeNotWanted', task });
  const missing = match.standings.flatMap((standing) => (standing.kind === 'missing' ? [standing.material] : []));
  if (missing.length) findings.push({ severity: 'caution', code: 'missingAtHome', task, materials: missing });
  const replaced = match.standings.flatMap((standing) =>
    standing.kind === 'replaced' ? [{ material: standing.material, by: standing.by, count: standing.count }] : [],
  );
  if (replaced.length) findings.push({ severity: 'note', code: 'replaced', task, replaced });
  const broken = match.findings.filter((found) => found.severity === 'error' && found.step > chooseFrom && found.step <= chooseTo);
  if (broken.length) findings.push({ severity: 'caution', code: 'substituteLevels', task, steps: broken.map((found) => found.step) });
  return findings;
}

/** A week needs only one of a family of variations; two shapes, one new and one held, are a choice. */
function checkFamilies(tasks: readonly TaskContent[]): ProgramFinding[] {
  return tasks.flatMap(({ family }, task): ProgramFinding[] => {
    const first = family === undefined ? -1 : tasks.findIndex((other) => other.family === family);
    return first < 0 || first === task ? [] : [{ severity: 'note', code: 'sameFamily', task, as: tasks[first]!.title }];
  });
}

/** Minutes of the draft's tasks on one ISO weekday. */
export function minutesOnWeekday(draft: Pick<ProgramDraft, 'tasks'>, weekday: number): number {
  return draft.tasks
    .filter((task) => task.weekdays.includes(weekday))
    .reduce((sum, task) => sum + minutesOf(doseAt(task.dose, task.step)), 0);
}

function checkBudget(draft: ProgramDraft, child: ChildFacts): ProgramFinding[] {
  const days = [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, minutes: Math.round(minutesOnWeekday(draft, weekday)) }));
  const fullest = days.reduce((most, day) => (day.minutes > most.minutes ? day : most));
  if (fullest.minutes <= child.minutesPerDay) return [];
  return [{ severity: 'caution', code: 'overBudget', task: null, ...fullest, budget: child.minutesPerDay }];
}

/** Only the first day that is none of the family's is said. */
function checkFamilyDays(draft: ProgramDraft, { practiceWeekdays }: ChildFacts): ProgramFinding[] {
  const weekdays = draft.tasks.flatMap((task) => task.weekdays).filter((weekday) => !practiceWeekdays.includes(weekday));
  return weekdays.length ? [{ severity: 'caution', code: 'notAFamilyDay', task: null, weekday: Math.min(...weekdays) }] : [];
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
