import type { TaskContent } from '@/core/tasks';
import type { FamilyWords } from '../../shared/familyWords';

/** Says in plain words what is done, below the title of an activity; nothing where a therapist's own task has no description. */
export function Described({ content: { description }, words: { local } }: { content: TaskContent; words: FamilyWords }) {
  return description ? <span className="block text-[1rem] font-normal">{local(description)}</span> : null;
}
