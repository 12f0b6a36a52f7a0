import { z } from 'zod';
import { localTextSchemaOf } from '../text';
import { SKILLS } from '../vocabulary';

/** `each`: the target is for each hand in turn; `both`: the hands work together; `preferred`: one hand only. */
export const DOSE_HANDS = ['preferred', 'each', 'both'] as const;
export type DoseHands = (typeof DOSE_HANDS)[number];

/** The schema of a dose; `least` is 0 where its words may still be empty, as on the bench. */
export function doseSchemaOf(least: 0 | 1) {
  return z.strictObject({
    target: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('count'), perRound: z.number().int().min(1).max(100) }),
      z.strictObject({ kind: z.literal('time'), minutesPerRound: z.number().min(0.5).max(30) }),
      z.strictObject({ kind: z.literal('untilDone'), pieces: z.number().int().min(1).max(100) }),
    ]),
    rounds: z.number().int().min(1).max(20),
    hands: z.enum(DOSE_HANDS),
    secondsEach: z.number().min(0).max(300),
    restSeconds: z.number().min(0).max(600),
    setUpMinutes: z.number().min(0).max(30),
    tidyUpMinutes: z.number().min(0).max(30),
    /** Pieces to prepare for one repetition; 0 where pieces are used again. */
    piecesPerRepetition: z.number().int().min(0).max(10),
    /** Movements hidden in set-up (open, close, peel, tear): practice too, so they count. */
    setUpMovements: z
      .array(z.strictObject({ name: localTextSchemaOf(least), skill: z.enum(SKILLS), timesPerRound: z.number().int().min(1).max(50) }))
      .max(6),
    /** Firm squeezing or pinching: capped by the day, with a day of rest between. */
    heavyGrip: z.boolean().default(false),
  });
}

export const doseSchema = doseSchemaOf(1);

/** How much of a task is asked for on one day. */
export type Dose = z.infer<typeof doseSchema>;
export type DoseTarget = Dose['target'];
export type DoseUnit = 'repetitions' | 'minutes' | 'pieces';
export type SetUpMovement = Dose['setUpMovements'][number];

/** What a target is counted in. */
export function unitOf({ kind }: Pick<DoseTarget, 'kind'>): DoseUnit {
  return kind === 'count' ? 'repetitions' : kind === 'time' ? 'minutes' : 'pieces';
}

/** How many times a target is done over: twice where each hand has its own turn. */
export function handTurns(hands: DoseHands): 1 | 2 {
  return hands === 'each' ? 2 : 1;
}
