import type { ProgramDraft } from '@/core/programs';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import type { LibraryTask } from './draftEdits';

interface Props {
  readonly draft: ProgramDraft;
  readonly tasks: readonly (LibraryTask | undefined)[];
  readonly keep: WordedAction;
}

/** Keeps which tasks stand on which days, by a name: for the next time, and for other children, each at its own step. */
export function KeepWeek({ draft, tasks, keep }: Props) {
  const placed = draft.tasks.flatMap(({ weekdays }, index) =>
    tasks[index] && weekdays.length > 0 ? [{ taskId: tasks[index].taskId, weekdays }] : [],
  );
  if (placed.length === 0) return null;
  return (
    <details className="mt-2 text-[14px]">
      <summary className="link inline">Save this week</summary>
      <ActionForm action={keep} hidden={{ content: JSON.stringify({ tasks: placed }) }} className="mt-1 flex flex-wrap items-end gap-2">
        <label className="font-semibold text-soft">
          Name of the week <input name="name" maxLength={60} autoComplete="off" className="field ml-1 font-normal text-ink" />
        </label>
        <button className="act">Save</button>
        <a className="link" href="/planner">
          Use for other students
        </a>
      </ActionForm>
    </details>
  );
}
