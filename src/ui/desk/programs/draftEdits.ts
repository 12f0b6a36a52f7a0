import { doseAt, minutesOf, type StepDose } from '@/core/dose';
import { contentFor, inOrderOfParts, type PlannedTask, type ProgramDraft, type SentLadder, type TaskChoices } from '@/core/programs';
import { plannedDoseOf, type TaskContent, type TaskSettings } from '@/core/tasks';

export interface LibraryTask {
  readonly taskId: number;
  readonly taskVersionId: number;
  readonly content: TaskContent;
}

/** Every change that the builder can make to a draft. */
export type DraftEdit =
  /** At its start step where no step is given. */
  | { readonly kind: 'add'; readonly task: LibraryTask; readonly step?: number; readonly childSettings?: TaskSettings }
  /** A safer twin takes the place of a task. */
  | { readonly kind: 'swap'; readonly index: number; readonly task: LibraryTask; readonly childSettings: TaskSettings }
  | { readonly kind: 'choose'; readonly index: number; readonly choices: Partial<TaskChoices> }
  | {
      readonly kind: 'settings';
      readonly index: number;
      readonly task: LibraryTask;
      readonly settings: TaskSettings;
      readonly childSettings: TaskSettings;
    }
  | { readonly kind: 'remove' | 'moveUp' | 'moveDown' | 'nail'; readonly index: number }
  /** A block is drawn to another day, into the part of the row that it is dropped on. */
  | { readonly kind: 'moveDay'; readonly index: number; readonly from: number; readonly to: number; readonly part: PlannedTask['part'] }
  | { readonly kind: 'change'; readonly index: number; readonly to: Partial<PlannedTask> }
  | { readonly kind: 'toggleDay'; readonly index: number; readonly weekday: number }
  | { readonly kind: 'span'; readonly startsOn?: ProgramDraft['startsOn']; readonly endsOn?: ProgramDraft['endsOn'] }
  | { readonly kind: 'note'; readonly note: string }
  | { readonly kind: 'restore'; readonly draft: ProgramDraft };

const SCHOOL_DAYS = [1, 2, 3, 4, 5];

export function editDraft(draft: ProgramDraft, edit: DraftEdit): ProgramDraft {
  switch (edit.kind) {
    case 'add':
      return { ...draft, tasks: inOrderOfParts([...draft.tasks, plannedFrom(edit.task, edit.childSettings ?? {}, edit.step)]) };
    case 'swap':
      return {
        ...draft,
        tasks: inOrderOfParts(
          draft.tasks.map((task, place) =>
            place === edit.index ? { ...plannedFrom(edit.task, edit.childSettings), weekdays: task.weekdays } : task,
          ),
        ),
      };
    case 'choose':
      return withTask(draft, edit.index, (task) => ({ ...task, choices: { ...task.choices, ...edit.choices } }));
    case 'settings':
      return withTask(draft, edit.index, (task) => withSettings(task, edit));
    case 'remove':
      return { ...draft, tasks: draft.tasks.filter((_, index) => index !== edit.index) };
    case 'moveUp':
      return { ...draft, tasks: swapped(draft.tasks, edit.index - 1) };
    case 'moveDown':
      return { ...draft, tasks: swapped(draft.tasks, edit.index) };
    case 'change':
      return withTask(draft, edit.index, (task) => ({ ...task, ...edit.to }));
    case 'toggleDay':
      return withTask(draft, edit.index, (task) => ({
        ...task,
        weekdays: task.weekdays.includes(edit.weekday)
          ? task.weekdays.filter((day) => day !== edit.weekday)
          : [...task.weekdays, edit.weekday].sort(),
      }));
    case 'moveDay':
      return movedDay(draft, edit);
    case 'nail':
      return withTask(draft, edit.index, (task) => ({
        ...task,
        ...(task.mark === 'nailed' ? { mark: undefined } : { mark: 'nailed' as const }),
      }));
    case 'span':
      return { ...draft, startsOn: edit.startsOn ?? draft.startsOn, endsOn: edit.endsOn ?? draft.endsOn };
    case 'note':
      return { ...draft, note: edit.note };
    case 'restore':
      return edit.draft;
  }
}

/** The task at another step; the family's choice moves along so that the step stays inside it. */
export function atOtherStep(task: PlannedTask, step: number, steps: number): Partial<PlannedTask> {
  const shift = step - task.step;
  return {
    step,
    chooseFrom: Math.min(step, Math.max(1, task.chooseFrom + shift)),
    chooseTo: Math.max(step, Math.min(steps, task.chooseTo + shift)),
  };
}

export function minutesInWords(task: Pick<PlannedTask, 'dose' | 'step'>): string {
  return `${Math.round(minutesOf(doseAt(task.dose, task.step)) * 10) / 10} min`;
}

function plannedFrom({ taskVersionId, content }: LibraryTask, childSettings: TaskSettings, requestedStep?: number): PlannedTask {
  const placed = contentFor(content, {}, childSettings);
  const { ladder, part } = placed;
  const step = requestedStep ?? ladder.startStep;
  return {
    taskVersionId,
    part,
    step,
    chooseFrom: Math.max(1, step - 1),
    chooseTo: Math.min(ladder.steps.length, step + 1),
    weekdays: SCHOOL_DAYS,
    dose: plannedDoseOf(placed),
    choices: {},
  };
}

/** Another school of thought may change hands, time for each and the ladder; what was asked for in numbers stays. */
function withSettings(
  task: PlannedTask,
  { task: { content }, settings, childSettings }: Extract<DraftEdit, { kind: 'settings' }>,
): PlannedTask {
  const placed = contentFor(content, { settings }, childSettings);
  const { ladder, dose } = placed;
  const onLadder = (step: number) => Math.min(step, ladder.steps.length);
  return {
    ...task,
    step: onLadder(task.step),
    chooseFrom: onLadder(task.chooseFrom),
    chooseTo: onLadder(task.chooseTo),
    dose: { ...task.dose, hands: dose.hands, secondsEach: dose.secondsEach, atSteps: plannedDoseOf(placed).atSteps },
    choices: { ...task.choices, settings, takesNewOrder: undefined },
  };
}

/** The settings that give a task just as it was sent, whatever the child's are today. */
export function settingsAsSent({ content }: LibraryTask, sent: SentLadder): TaskSettings {
  return { ...content.settings, ...sent.settings };
}

/** Changes the dose at today's step: the step's own where it has one, else the one for all steps. */
export function withDoseAtStep(task: PlannedTask, change: StepDose): Pick<PlannedTask, 'dose'> {
  const own = task.dose.atSteps?.[task.step];
  return {
    dose: own ? { ...task.dose, atSteps: { ...task.dose.atSteps, [task.step]: { ...own, ...change } } } : { ...task.dose, ...change },
  };
}

/** The library's newer version of a task, with what its steps ask for. */
export function withNewer(task: PlannedTask, newer: LibraryTask, childSettings: TaskSettings): Partial<PlannedTask> {
  const placed = contentFor(newer.content, task.choices, childSettings);
  return { taskVersionId: newer.taskVersionId, dose: { ...task.dose, atSteps: plannedDoseOf(placed).atSteps } };
}

function movedDay(draft: ProgramDraft, { index, from, to, part }: Extract<DraftEdit, { kind: 'moveDay' }>): ProgramDraft {
  const moved = withTask(draft, index, (task) => ({
    ...task,
    part,
    weekdays: [...new Set([...task.weekdays.filter((day) => day !== from), to])].sort(),
  }));
  return { ...moved, tasks: inOrderOfParts(moved.tasks) };
}

/** A task that a person changed is theirs, and no longer the planner's. */
function withTask(draft: ProgramDraft, index: number, change: (task: PlannedTask) => PlannedTask): ProgramDraft {
  const touched = ({ mark, ...task }: PlannedTask): PlannedTask => (mark === 'nailed' ? { ...task, mark } : task);
  return { ...draft, tasks: draft.tasks.map((task, place) => (place === index ? change(touched(task)) : task)) };
}

/** Only neighbours within one part change places: the order of the parts is fixed. */
function swapped(tasks: readonly PlannedTask[], first: number): PlannedTask[] {
  const [a, b] = [tasks[first], tasks[first + 1]];
  if (!a || !b || a.part !== b.part) return [...tasks];
  return tasks.map((task, index) => (index === first ? b : index === first + 1 ? a : task));
}
