import { requireWhole } from '../whole';
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
 * @returns null where pieces are used again (0 a repetition): they set no bound
 * @throws RangeError for numbers that are no counts.
 * @example repetitionsFrom(10, { hands: 'each', piecesPerRepetition: 1, rounds: 1 }) // { repetitions: 10, perHand: 5, left: 0 }
 */
export function repetitionsFrom(pieces: number, dose: Pick<Dose, 'hands' | 'piecesPerRepetition' | 'rounds'>): PiecesAnswer | null {
  requireWhole('pieces', pieces, 0);
  requireWhole('rounds', dose.rounds, 1);
  requireWhole('piecesPerRepetition', dose.piecesPerRepetition, 0);
  const each = dose.piecesPerRepetition;
  if (each === 0) return null;
  const shares = handTurns(dose.hands) * dose.rounds;
  const perShare = Math.floor(pieces / each / shares);
  const repetitions = perShare * shares;
  return { repetitions, perHand: perShare * dose.rounds, left: pieces - repetitions * each };
}
