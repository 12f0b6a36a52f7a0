import { HEAVY_GRIP_CAP } from '../dose';
import type { ChildFacts } from '../programs';
import type { Candidates } from './candidates';
import type { PlanInput } from './planInput';

/** At most so many new tasks in a week. Common practice, no source. */
const MOST_NEW = 2;

/** Builds the input of a week for a student: days and minutes, tasks that may be placed, and a person's own preferences. */
export function wishFor(
  child: Pick<ChildFacts, 'practiceWeekdays' | 'minutesPerDay'>,
  { tasks, goals, parts }: Pick<Candidates, 'tasks' | 'goals' | 'parts'>,
  requested: Partial<Pick<PlanInput, 'pinned' | 'banned' | 'moreOf' | 'packedBesides'>> = {},
): PlanInput {
  return {
    days: child.practiceWeekdays,
    budget: child.minutesPerDay,
    tasks,
    goals,
    parts,
    mostNew: MOST_NEW,
    gripCap: HEAVY_GRIP_CAP,
    pinned: {},
    banned: [],
    moreOf: [],
    packedBesides: {},
    ...requested,
  };
}
