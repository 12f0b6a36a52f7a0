import type { Child } from '@/core/students';
import { ageOf, factsOf } from '@/core/students';
import type { CalendarDay } from '@/core/calendar';
import type { GoalContent } from '@/core/goals';
import { groupBy } from '@/core/groupBy';
import { historyOf, type CandidateOptions, type TaskHistory } from '@/core/planner';
import { draftFrom, type PlannedTask, type ProgramDraft, type ProgramVersion } from '@/core/programs';
import { gradeChanges, openGoalsOf, openStops, type TaskVersion, type Work } from '@/db';

/** The planner's facts about a student, beside the student's own. */
export interface PlanFacts {
  readonly goals: readonly { readonly goalId: number; readonly content: GoalContent }[];
  /** Tasks of the present program, as the draft that continues it has them. */
  readonly underWay: readonly (PlannedTask & { readonly taskId: number })[];
  readonly history: readonly TaskHistory[];
  readonly closedTaskIds: readonly number[];
}

/** Goals, history, stops and what is under way, of many children with a few questions. */
export async function planFactsOf(
  work: Work,
  childIds: readonly number[],
  programs: ReadonlyMap<number, ProgramVersion>,
): Promise<Map<number, PlanFacts>> {
  const goals = groupBy(await openGoalsOf(work, childIds), ({ childId }) => childId);
  const changes = groupBy(await gradeChanges(work, childIds), ({ childId }) => childId);
  const stops = groupBy(await openStops(work, childIds), ({ childId }) => childId);
  return new Map(
    childIds.map((childId) => {
      const program = programs.get(childId) ?? null;
      return [
        childId,
        {
          goals: (goals.get(childId) ?? []).map(({ id, content }) => ({ goalId: id, content })),
          underWay: underWayOf(program),
          history: historyOf(changes.get(childId) ?? []),
          closedTaskIds: (stops.get(childId) ?? []).map(({ taskId }) => taskId),
        },
      ];
    }),
  );
}

function underWayOf(program: ProgramVersion | null): PlanFacts['underWay'] {
  if (!program) return [];
  const draft: Pick<ProgramDraft, 'tasks'> = draftFrom(program, program.startsOn);
  return draft.tasks.map((task, index) => ({ ...task, taskId: program.tasks[index]!.taskId }));
}

/** All that candidates are made from. */
export function candidateOptions(
  child: Child,
  today: CalendarDay,
  facts: PlanFacts,
  library: readonly TaskVersion[],
  paces: readonly ChildPace[] = [],
): CandidateOptions {
  const age = ageOf(child, today);
  return {
    library,
    child: { ...factsOf(child, today), likes: child.likes },
    ageMonths: age.years * 12 + age.months,
    ...facts,
    paces,
    mayPack: true,
    theme: null,
    asked: [],
  };
}

export interface ChildPace {
  readonly taskId: number;
  readonly secondsEach: number;
  readonly sessions: number;
}
