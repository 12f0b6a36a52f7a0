import type { Skill } from '../tasks';

/** `each`: the target is for each hand in turn; `both`: the hands work together; `preferred`: one hand only. */
export type DoseHands = 'preferred' | 'each' | 'both';

export type DoseTarget =
  | { readonly kind: 'count'; readonly perRound: number }
  | { readonly kind: 'time'; readonly minutesPerRound: number }
  | { readonly kind: 'untilDone'; readonly pieces: number };

/** A movement hidden in set-up (open, close, peel, tear): practice too, so it counts. */
export interface SetUpMovement {
  readonly name: { readonly en: string; readonly es: string };
  readonly skill: Skill;
  readonly timesPerRound: number;
}

/** How much of a task is asked for on one day. */
export interface Dose {
  readonly target: DoseTarget;
  /** 1 to 20 */
  readonly rounds: number;
  readonly hands: DoseHands;
  readonly secondsEach: number;
  readonly restSeconds: number;
  readonly setUpMinutes: number;
  readonly tidyUpMinutes: number;
  /** Pieces to prepare for one repetition; 0 where pieces are used again. */
  readonly piecesPerRepetition: number;
  readonly setUpMovements: readonly SetUpMovement[];
  /** Firm squeezing or pinching: capped by the day, with a day of rest between. */
  readonly heavyGrip?: boolean | undefined;
}

/** How many times a target is done over: twice where each hand has its own turn. */
export function handTurns(hands: DoseHands): 1 | 2 {
  return hands === 'each' ? 2 : 1;
}
