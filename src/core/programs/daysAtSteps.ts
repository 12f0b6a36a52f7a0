import { daysBetween, type CalendarDay } from '../calendar';
import type { GradeChange } from './programVersion';

/**
 * Days spent at each step of a ladder, up to and with today, by its grade history. A change on the same day as the next one
 * counts no day.
 * @example first change to step 2 on the 1st, to step 3 on the 8th, today the 10th: [0, 7, 3]
 */
export function daysAtSteps(changes: readonly GradeChange[], stepCount: number, today: CalendarDay): number[] {
  const days = Array.from({ length: stepCount }, () => 0);
  changes.forEach((change, index) => {
    const next = changes[index + 1];
    const spent = next ? daysBetween(change.changedOn, next.changedOn) : daysBetween(change.changedOn, today) + 1;
    if (change.toStep >= 1 && change.toStep <= stepCount) days[change.toStep - 1]! += Math.max(0, spent);
  });
  return days;
}
