import type { Candidates, LeftOut, PlanRule, WeekPlan } from '@/core/planner';
import type { ProgramDraft, ProgramVersion } from '@/core/programs';

/** Proposal for a student's next week. */
export type Proposal =
  | {
      readonly kind: 'week';
      readonly draft: ProgramDraft;
      readonly into: readonly string[];
      readonly out: readonly string[];
      /** Other days than before. */
      readonly days: readonly string[];
      readonly packs: number;
      /** `asked` is null where nothing that may be placed serves it. */
      readonly goals: readonly { readonly statement: string; readonly asked: number | null; readonly given: number }[];
      /** Null for a week of a person's own, which nobody weighed. */
      readonly gap: number | null;
      /** Requests that may not be given. */
      readonly left: readonly { readonly title: string; readonly why: LeftOut }[];
    }
  | { readonly kind: 'impossible'; readonly rules: readonly PlanRule[] }
  | { readonly kind: 'noTime' | 'paused' };

/** Lists the changes for a family that has a program, by titles. */
export function changesOf(placed: WeekPlan['placed'], program: ProgramVersion | null, candidates: Pick<Candidates, 'tasks' | 'leftOut'>) {
  const titleOf = new Map([...candidates.tasks, ...candidates.leftOut].map(({ taskId, title }) => [taskId, title.en]));
  const was = new Map(program?.tasks.map((task) => [task.taskId, task.weekdays.join()]) ?? []);
  const is = new Map(placed.map(({ taskId, weekdays }) => [taskId, weekdays.join()]));
  const titles = (ids: readonly number[]) => ids.map((id) => titleOf.get(id) ?? '').sort();
  const packs = new Set(candidates.tasks.filter(({ taskId }) => is.has(taskId)).flatMap((task) => task.packs));
  return {
    into: titles([...is.keys()].filter((id) => !was.has(id))),
    out: titles([...was.keys()].filter((id) => !is.has(id))),
    days: titles([...is.keys()].filter((id) => was.has(id) && was.get(id) !== is.get(id))),
    packs: packs.size,
  };
}
