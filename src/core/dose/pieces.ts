import { handTurns, type Dose } from './dose';

export interface PiecesAnswer {
  /** Repetitions that the pieces allow on one day, the same for each hand. */
  readonly repetitions: number;
  readonly perHand: number;
  readonly left: number;
}

/**
 * The way back from pieces (or from a sum of cards) to repetitions: how many a day the pieces allow, shared fairly over
 * hands and rounds, and how many pieces are left over. Check (common practice, no source): ten bands are five per hand.
 * @param pieces 0 or more, whole
 * @throws RangeError for other numbers of pieces.
 * @example repetitionsFrom(10, { hands: 'each', piecesPerRepetition: 1, rounds: 1 }) // { repetitions: 10, perHand: 5, left: 0 }
 */
export function repetitionsFrom(pieces: number, dose: Pick<Dose, 'hands' | 'piecesPerRepetition' | 'rounds'>): PiecesAnswer {
  if (!Number.isInteger(pieces) || pieces < 0) throw new RangeError(`pieces is ${pieces}; it must be a whole number from 0`);
  const each = Math.max(1, dose.piecesPerRepetition);
  const shares = handTurns(dose.hands) * dose.rounds;
  const perShare = Math.floor(pieces / each / shares);
  const repetitions = perShare * shares;
  return { repetitions, perHand: perShare * dose.rounds, left: pieces - repetitions * each };
}
