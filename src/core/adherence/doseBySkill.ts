import { groupBy } from '../groupBy';
import type { TaskDose } from './doseGiven';

export interface SkillDose<Skill> {
  readonly skill: Skill;
  /** Mean of the shares of its tasks, 0 to 1. */
  readonly share: number;
}

/**
 * The dose given by main skill: the mean of the shares of the tasks that train it, as for all tasks together, since their units do not add up. Our own
 * definition. What was least given comes first.
 * @param skillOf null for a task that is not known any more; it is left out
 * @example two tasks of one skill, given 0.5 and 1 of what was asked // 0.75
 */
export function doseBySkill<Task extends Pick<TaskDose, 'share'>, Skill extends string>(
  tasks: readonly Task[],
  skillOf: (task: Task) => Skill | null,
): SkillDose<Skill>[] {
  const known = tasks.flatMap((task) => {
    const skill = skillOf(task);
    return skill === null ? [] : [{ skill, share: task.share }];
  });
  return [...groupBy(known, ({ skill }) => skill)]
    .map(([skill, own]) => ({ skill, share: own.reduce((sum, { share }) => sum + share, 0) / own.length }))
    .sort((one, other) => one.share - other.share || one.skill.localeCompare(other.skill));
}
