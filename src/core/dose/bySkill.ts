import type { Skill } from '../vocabulary';
import type { Dose } from './dose';
import { calculateDose } from './calculateDose';

export interface SkillTotal {
  readonly skill: Skill;
  readonly perWeek: number;
  /** How much of it is hidden in set-up. */
  readonly inSetUp: number;
  /** Minutes a week, of doses that count time. */
  readonly minutes: number;
}

/**
 * Repetitions a week by skill: each task's own movement counts for its main skill, set-up movements for theirs. Minutes
 * stand beside, never added to repetitions. Most first. Our own definition.
 */
export function repetitionsBySkill(
  tasks: readonly { readonly skill: Skill; readonly dose: Dose; readonly daysPerWeek: number }[],
): SkillTotal[] {
  const totals = new Map<Skill, { perWeek: number; inSetUp: number; minutes: number }>();
  const totalOf = (skill: Skill) => {
    const total = totals.get(skill) ?? { perWeek: 0, inSetUp: 0, minutes: 0 };
    totals.set(skill, total);
    return total;
  };
  for (const { skill, dose, daysPerWeek } of tasks) {
    const calculated = calculateDose(dose, daysPerWeek);
    if (calculated.unit === 'minutes') totalOf(skill).minutes += calculated.perWeek;
    else totalOf(skill).perWeek += calculated.perWeek;
    for (const { movement, perWeek } of calculated.setUp) {
      totalOf(movement.skill).perWeek += perWeek;
      totalOf(movement.skill).inSetUp += perWeek;
    }
  }
  return [...totals].map(([skill, total]) => ({ skill, ...total })).sort((a, b) => b.perWeek - a.perWeek || b.minutes - a.minutes);
}
