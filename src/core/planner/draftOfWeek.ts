import { inOrderOfParts, type ProgramDraft } from '../programs';
import type { Candidate } from './candidates';
import type { WeekPlan } from './weekPlan';

/**
 * A week as a draft: what the planner placed is marked so till somebody touches it; what a therapist placed stays as she has it.
 * @param pinned tasks of the draft that are hers
 */
export function draftOfWeek(
  draft: ProgramDraft,
  plan: Pick<WeekPlan, 'placed'>,
  candidates: readonly Candidate[],
  pinned: readonly number[] = [],
): ProgramDraft {
  const byTask = new Map(candidates.map((each) => [each.taskId, each]));
  const tasks = plan.placed.flatMap(({ taskId, weekdays }) => {
    const { planned, taskVersionId } = byTask.get(taskId)!;
    const hers = pinned.includes(taskId) && draft.tasks.find((each) => each.taskVersionId === taskVersionId);
    return [hers ? hers : { ...planned, weekdays: [...weekdays], mark: 'filled' as const }];
  });
  return { ...draft, tasks: inOrderOfParts(tasks) };
}
