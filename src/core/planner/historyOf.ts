import { groupBy } from '../groupBy';
import type { GradeChange } from '../programs';
import type { TaskHistory } from './candidates';

/** Returns the latest step of each task, and how often a stay at that step ended in a step down. @param changes oldest first */
export function historyOf(changes: readonly Pick<GradeChange, 'taskId' | 'fromStep' | 'toStep'>[]): TaskHistory[] {
  return [...groupBy(changes, ({ taskId }) => taskId)].map(([taskId, own]) => {
    const step = own.at(-1)!.toStep;
    return { taskId, step, triesInVain: own.filter(({ fromStep, toStep }) => fromStep === step && toStep < step).length };
  });
}
