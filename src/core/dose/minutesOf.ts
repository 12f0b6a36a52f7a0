import { requireAtLeast } from '../whole';
import type { Dose } from './dose';
import { calculateDose } from './calculateDose';

/**
 * Minutes that a dose takes on one day: set-up + rounds × (repetitions × seconds each + rest) + tidy-up; what is held takes
 * its seconds besides. Not rounded. Our own definition; it grows with each of its parts.
 * @throws RangeError for times below 0 or not finite, and as `calculateDose` does.
 * @example 2 min set-up, 1 round of 5 per hand at 12 s, no rest, 1 min tidy-up // 5
 */
export function minutesOf(dose: Dose): number {
  const { secondsEach, restSeconds, setUpMinutes, tidyUpMinutes } = dose;
  for (const [name, time] of Object.entries({ secondsEach, restSeconds, setUpMinutes, tidyUpMinutes })) requireAtLeast(name, time, 0);
  const { unit, perDay, rounds } = calculateDose(dose, 1);
  const held = dose.target.kind === 'hold' ? dose.target.seconds : 0;
  const work = unit === 'minutes' ? perDay : (perDay * (secondsEach + held)) / 60;
  return setUpMinutes + work + (rounds * restSeconds) / 60 + tidyUpMinutes;
}
