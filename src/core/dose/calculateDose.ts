import { requireAbove, requireWhole } from '../whole';
import { handTurns, type Dose, type DoseUnit, type SetUpMovement } from './dose';

export interface CalculatedDose {
  readonly unit: DoseUnit;
  /** The factors in the order in which they are said: per round, hands, rounds. Their product is `perDay`. */
  readonly perRound: number;
  readonly handTurns: 1 | 2;
  readonly rounds: number;
  /** Repetitions for one hand in a day. */
  readonly perHand: number;
  /** 0 where nothing is asked for: what is seen is told, and not judged. */
  readonly perDay: number;
  readonly daysPerWeek: number;
  readonly perWeek: number;
  readonly piecesPerDay: number;
  readonly setUp: readonly { readonly movement: SetUpMovement; readonly perDay: number; readonly perWeek: number }[];
}

/**
 * The arithmetic of a dose: what a day and a week come to, what is hidden in set-up, what has to be prepared.
 * Checks (common practice, no source): five per hand needs ten bands; a lid opened and closed for three gluings is
 * three twists each way.
 * @param daysPerWeek 0 to 7
 * @throws RangeError for numbers that no day can hold (negative, not whole where whole is meant).
 * @example reckonDose({ target: { kind: 'count', perRound: 5 }, rounds: 1, hands: 'each', … }, 5) // perDay 10, perWeek 50
 */
export function calculateDose(dose: Dose, daysPerWeek: number): CalculatedDose {
  const { unit, perRound } = targetOf(dose);
  const turns = handTurns(dose.hands);
  requireWhole('rounds', dose.rounds, 1);
  requireWhole('daysPerWeek', daysPerWeek, 0, 7);
  requireWhole('piecesPerRepetition', dose.piecesPerRepetition, 0);
  for (const { timesPerRound } of dose.setUpMovements) requireWhole('timesPerRound', timesPerRound, 0);
  const perDay = perRound * turns * dose.rounds;
  return {
    unit,
    perRound,
    handTurns: turns,
    rounds: dose.rounds,
    perHand: perRound * dose.rounds,
    perDay,
    daysPerWeek,
    perWeek: perDay * daysPerWeek,
    piecesPerDay: unit === 'pieces' ? perDay : unit === 'minutes' ? 0 : perDay * dose.piecesPerRepetition,
    setUp: dose.setUpMovements.map((movement) => {
      const times = movement.timesPerRound * dose.rounds;
      return { movement, perDay: times, perWeek: times * daysPerWeek };
    }),
  };
}

function targetOf({ target }: Dose): Pick<CalculatedDose, 'unit' | 'perRound'> {
  switch (target.kind) {
    case 'count':
      requireWhole('perRound', target.perRound, 1);
      return { unit: 'repetitions', perRound: target.perRound };
    case 'time':
      requireAbove('minutesPerRound', target.minutesPerRound, 0);
      return { unit: 'minutes', perRound: target.minutesPerRound };
    case 'untilDone':
      requireWhole('pieces', target.pieces, 1);
      return { unit: 'pieces', perRound: target.pieces };
    case 'hold':
      requireWhole('times', target.times, 1);
      requireWhole('seconds', target.seconds, 1);
      return { unit: 'holds', perRound: target.times };
    case 'watch':
      return { unit: 'repetitions', perRound: 0 };
    default:
      throw new RangeError(`There is no target of the kind ${JSON.stringify(target satisfies never)}`);
  }
}

/** Returns the target of a day in the unit of the dose; null where the dose has none. @throws RangeError as `calculateDose` does. */
export function dayTargetOf(dose: Dose): number | null {
  return calculateDose(dose, 1).perDay || null;
}
