import { minutesOf } from '@/core/dose';
import { inOrderOfParts, type PlannedTask, type ProgramDraft } from '@/core/program';
import type { TaskContent } from '@/core/tasks';

export interface LibraryTask {
  readonly taskId: number;
  readonly taskVersionId: number;
  readonly content: TaskContent;
}

/** Every change that the builder can make to a draft. */
export type DraftEdit =
  | { readonly kind: 'add'; readonly task: LibraryTask; readonly step: number }
  | { readonly kind: 'remove' | 'moveUp' | 'moveDown'; readonly index: number }
  | { readonly kind: 'change'; readonly index: number; readonly to: Partial<PlannedTask> }
  | { readonly kind: 'toggleDay'; readonly index: number; readonly weekday: number }
  | { readonly kind: 'span'; readonly startsOn?: ProgramDraft['startsOn']; readonly endsOn?: ProgramDraft['endsOn'] }
  | { readonly kind: 'note'; readonly note: string }
  | { readonly kind: 'restore'; readonly draft: ProgramDraft };

const SCHOOL_DAYS = [1, 2, 3, 4, 5];

export function editDraft(draft: ProgramDraft, edit: DraftEdit): ProgramDraft {
  switch (edit.kind) {
    case 'add':
      return { ...draft, tasks: inOrderOfParts([...draft.tasks, plannedFrom(edit.task, edit.step)]) };
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
        weekdays: task.weekdays.includes(edit.weekday) ? task.weekdays.filter((day) => day !== edit.weekday) : [...task.weekdays, edit.weekday].sort(),
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
  return { step, chooseFrom: Math.min(step, Math.max(1, task.chooseFrom + shift)), chooseTo: Math.max(step, Math.min(steps, task.chooseTo + shift)) };
}

export function minutesInWords(task: Pick<PlannedTask, 'dose'>): string {
  return `${Math.round(minutesOf(task.dose) * 10) / 10} min`;
}

function plannedFrom({ taskVersionId, content }: LibraryTask, step: number): PlannedTask {
  const last = content.ladder.steps.length;
  return { taskVersionId, part: content.part, step, chooseFrom: Math.max(1, step - 1), chooseTo: Math.min(last, step + 1), weekdays: SCHOOL_DAYS, dose: content.dose };
}

function withTask(draft: ProgramDraft, index: number, change: (task: PlannedTask) => PlannedTask): ProgramDraft {
  return { ...draft, tasks: draft.tasks.map((task, place) => (place === index ? change(task) : task)) };
}

/** Only neighbours within one part change places: the order of the parts is fixed. */
function swapped(tasks: readonly PlannedTask[], first: number): PlannedTask[] {
  const [a, b] = [tasks[first], tasks[first + 1]];
  if (!a || !b || a.part !== b.part) return [...tasks];
  return tasks.map((task, index) => (index === first ? b : index === first + 1 ? a : task));
}
