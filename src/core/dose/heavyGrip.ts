import { requireAtLeast, requireWhole } from '../whole';
import type { Dose } from './dose';
import { calculateDose } from './calculateDose';

/** Firm repetitions on one day, over all tasks. Common practice, no published source; a setting of the workplace later. */
export const HEAVY_GRIP_CAP = 40;

export type HeavyGripFinding =
  | { readonly code: 'heavyGripOverCap'; readonly weekday: number; readonly repetitions: number; readonly cap: number }
  | { readonly code: 'heavyGripNoRest'; readonly weekday: number };

/**
 * Firm squeezing is capped by the day, and a day with it is followed by a day of rest. The week is read round: Sunday is
 * followed by Monday. Only the first weekday of each fault is said.
 * @param tasks doses with their ISO weekdays, 1 to 7
 * @param cap repetitions a day, finite, 0 and over
 * @throws RangeError for a weekday or a cap that is none: a fault here would hide a heavy day.
 */
export function checkHeavyGrip(
  tasks: readonly { readonly dose: Dose; readonly weekdays: readonly number[] }[],
  cap = HEAVY_GRIP_CAP,
): HeavyGripFinding[] {
  requireAtLeast('cap', cap, 0);
  for (const weekday of tasks.flatMap((task) => task.weekdays)) requireWhole('weekday', weekday, 1, 7);
  const heavy = tasks.filter((task) => task.dose.heavyGrip);
  const byDay = [1, 2, 3, 4, 5, 6, 7].map((weekday) =>
    heavy.filter((task) => task.weekdays.includes(weekday)).reduce((sum, { dose }) => sum + repetitionsOf(dose), 0),
  );
  const over = byDay.findIndex((repetitions) => repetitions > cap);
  const restless = byDay.findIndex((repetitions, index) => repetitions > 0 && byDay[(index + 1) % 7]! > 0);
  return [
    ...(over < 0 ? [] : [{ code: 'heavyGripOverCap', weekday: over + 1, repetitions: byDay[over]!, cap } as const]),
    ...(restless < 0 ? [] : [{ code: 'heavyGripNoRest', weekday: restless + 1 } as const]),
  ];
}

/** Firm repetitions of a day; time is turned into repetitions by the seconds that each takes. */
function repetitionsOf(dose: Dose): number {
  const calculated = calculateDose(dose, 1);
  return calculated.unit === 'minutes' ? Math.round((calculated.perDay * 60) / Math.max(1, dose.secondsEach)) : calculated.perDay;
}
