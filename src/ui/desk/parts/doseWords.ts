import { minutesOf, calculateDose, type Dose } from '@/core/dose';
import { WEEKDAYS } from '../../shared/days';

const UNITS = { repetitions: 'reps', minutes: 'minutes', pieces: 'pieces', holds: 'holds' } as const;

/** The arithmetic written out: "5 each hand × 2 hands = 10 reps a day × 5 days = 50 a week". */
export function doseSentence(dose: Dose, daysPerWeek: number): string {
  if (dose.target.kind === 'watch') return 'watched, with nothing to reach';
  const calculated = calculateDose(dose, daysPerWeek);
  const [limb, limbs] = dose.limb === 'foot' ? ['foot', 'feet'] : ['hand', 'hands'];
  const held = dose.target.kind === 'hold' ? ` of ${dose.target.seconds} s` : '';
  const factors = [
    `${calculated.perRound}${held}${calculated.handTurns === 2 ? ` each ${limb} × 2 ${limbs}` : ''}`,
    ...(calculated.rounds > 1 ? [`${calculated.rounds} rounds`] : []),
  ].join(' × ');
  const perDay = factors === String(calculated.perDay) ? factors : `${factors} = ${calculated.perDay}`;
  return `${perDay} ${UNITS[calculated.unit]} a day × ${daysPerWeek} ${daysPerWeek === 1 ? 'day' : 'days'} = ${calculated.perWeek} a week`;
}

/** Describes the practice hidden in set-up and the pieces to prepare, in sentences; empty where there is nothing to say. */
export function hiddenPractice(dose: Dose, daysPerWeek: number): string[] {
  const calculated = calculateDose(dose, daysPerWeek);
  return [
    ...calculated.setUp.map(({ movement, perDay, perWeek }) => `In set-up: ${movement.name.en}, ${perDay} a day, ${perWeek} a week.`),
    ...(dose.piecesPerRepetition > 0
      ? [`To prepare: ${calculated.piecesPerDay} pieces a day, ${calculated.piecesPerDay * daysPerWeek} a week.`]
      : []),
  ];
}

export function weekdaysInWords(weekdays: readonly number[]): string {
  if (weekdays.length === 7) return 'every day';
  if ([1, 2, 3, 4, 5].every((day) => weekdays.includes(day)) && weekdays.length === 5) return 'Monday–Friday';
  return [...weekdays]
    .sort()
    .map((day) => WEEKDAYS[day - 1]!.slice(0, 3))
    .join(', ');
}

/** Minutes of one day written out: "1 set up + 2 × (5 × 2 hands × 6 s + 15 s) + 1 tidy up = 4.5 min". */
export function minutesSentence(dose: Dose): string {
  const calculated = calculateDose(dose, 1);
  const hands = calculated.handTurns === 2 ? (dose.limb === 'foot' ? ' × 2 feet' : ' × 2 hands') : '';
  const seconds = dose.secondsEach + (dose.target.kind === 'hold' ? dose.target.seconds : 0);
  const work = calculated.unit === 'minutes' ? `${calculated.perRound} min${hands}` : `${calculated.perRound}${hands} × ${seconds} s`;
  return `${dose.setUpMinutes} min set up + ${dose.rounds} × (${work} + ${dose.restSeconds} s) + ${dose.tidyUpMinutes} min clean up = ${minutesOf(dose).toFixed(1)} min`;
}
