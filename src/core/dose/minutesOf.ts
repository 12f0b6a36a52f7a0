import { handTurns, type Dose } from './dose';

/**
 * Minutes that a dose takes on one day: set-up + rounds × (repetitions × seconds each + rest) + tidy-up. Not rounded.
 * Our own definition; it grows with each of its parts.
 * @example 2 min set-up, 1 round of 5 per hand at 12 s, no rest, 1 min tidy-up // 5
 */
export function minutesOf(dose: Dose): number {
  const turns = handTurns(dose.hands);
  const work =
    dose.target.kind === 'time'
      ? dose.target.minutesPerRound * turns
      : ((dose.target.kind === 'count' ? dose.target.perRound : dose.target.pieces) * turns * dose.secondsEach) / 60;
  return dose.setUpMinutes + dose.rounds * (work + dose.restSeconds / 60) + dose.tidyUpMinutes;
}
