import type { TaskFinding } from '@/core/library';
import type { TaskContent } from '@/core/tasks';
import { taskFindingWords } from '../parts/taskWords';

interface RefusedPack {
  readonly faults: readonly (
    | { readonly code: 'notJson' | 'form'; readonly path: string; readonly said: string }
    | { readonly code: 'sameSlug'; readonly path: string; readonly slug: string }
    | { readonly code: 'unsound'; readonly path: string; readonly finding: TaskFinding; readonly task: TaskContent }
  )[];
  /** Slugs that belong to somebody else's task. */
  readonly taken: readonly string[];
}

/** Every fault of a pack, with its path. */
export function packFaultWords({ faults, taken }: RefusedPack): string[] {
  const said = faults.map((fault) => {
    switch (fault.code) {
      case 'notJson':
        return `The file is not JSON: ${fault.said}. Export it again, or fix it with an editor that shows JSON.`;
      case 'form':
        return `${fault.path}: ${fault.said}.`;
      case 'sameSlug':
        return `${fault.path}: “${fault.slug}” is listed twice in the pack. Give one another slug.`;
      case 'unsound':
        return `${fault.path}: ${taskFindingWords(fault.finding, fault.task)}`;
    }
  });
  return [...said, ...taken.map((slug) => `“${slug}” is a stock task or someone else’s. Give yours another slug.`)];
}
