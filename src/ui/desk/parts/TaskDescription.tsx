import type { TaskContent } from '@/core/tasks';

/** Says in plain words what is done, below the title of a task; nothing where a therapist's own task has no description. */
export function TaskDescription({ content: { description } }: { content: Pick<TaskContent, 'description'> }) {
  return description?.en ? <span className="block font-text text-[14px] font-normal text-soft">{description.en}</span> : null;
}
