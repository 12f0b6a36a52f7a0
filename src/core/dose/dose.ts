import { z } from 'zod';
import { localTextSchemaOf } from '../text';
import { SKILLS } from '../vocabulary';

/** `each`: the target is for each hand in turn; `both`: the hands work together; `preferred`: one hand only. */
export const DOSE_HANDS = ['preferred', 'each', 'both'] as const;
export type DoseHands = (typeof DOSE_HANDS)[number];

/** Limb that works: turns are counted by hand, or by foot. */
export const LIMBS = ['hand', 'foot'] as const;

const targetSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('count'), perRound: z.number().int().min(1).max(100) }),
  /** In half minutes. */
  z.strictObject({ kind: z.literal('time'), minutesPerRound: z.number().min(0.5).max(30).multipleOf(0.5) }),
  z.strictObject({ kind: z.literal('untilDone'), pieces: z.number().int().min(1).max(100) }),
  /** A number of holds, each for a number of seconds. */
  z.strictObject({ kind: z.literal('hold'), times: z.number().int().min(1).max(50), seconds: z.number().int().min(1).max(120) }),
  /** A tally of what was seen: nothing is asked for, and nothing is judged. */
  z.strictObject({ kind: z.literal('watch') }),
]);

const handsFields = {
  hands: z.enum(DOSE_HANDS),
  /** A hand where nothing is said. */
  limb: z.enum(LIMBS).optional(),
  secondsEach: z.number().min(0).max(300),
};

/** Dose of a step where it differs from the task's; fields left out are the task's. */
export const stepDoseSchema = z.strictObject({ target: targetSchema, ...handsFields }).partial();
export type StepDose = z.infer<typeof stepDoseSchema>;

/** The schema of a dose; `least` is 0 where its words may still be empty, as on the bench. */
export function doseSchemaOf(least: 0 | 1) {
  return z.strictObject({
    target: targetSchema,
    ...handsFields,
    /** Definition of one good repetition, where it is not obvious: "a whole walk, with a flat back". */
    goodOne: localTextSchemaOf(least).optional(),
    rounds: z.number().int().min(1).max(20),
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

/** The dose of a placed task: what holds for every step, and what some steps ask for in their own way, by their number from 1. */
export const plannedDoseSchema = doseSchemaOf(1).extend({ atSteps: z.record(z.string().regex(/^[1-9]\d?$/), stepDoseSchema).optional() });
export type PlannedDose = z.infer<typeof plannedDoseSchema>;

/** How much of a task is asked for on one day, at one step: what is reckoned with. */
export type Dose = z.infer<ReturnType<typeof doseSchemaOf>> & { readonly atSteps?: never };
export type DoseTarget = Dose['target'];
export type DoseUnit = 'repetitions' | 'minutes' | 'pieces' | 'holds';
export type SetUpMovement = Dose['setUpMovements'][number];

/** A dose with what a step asks for in its own way. */
export function withStepDose(usual: Omit<PlannedDose, 'atSteps'>, own: StepDose | undefined): Dose {
  return own ? { ...usual, ...own } : usual;
}

/**
 * The dose of a placed task at one of its steps.
 * @param step 1-based
 * @example doseAt({ …, target: { kind: 'count', perRound: 10 }, atSteps: { 1: { hands: 'both' } } }, 1).hands // 'both'
 */
export function doseAt({ atSteps, ...usual }: PlannedDose, step: number): Dose {
  return withStepDose(usual, atSteps?.[step]);
}

/** Returns the unit in which a target is counted. */
export function unitOf({ kind }: Pick<DoseTarget, 'kind'>): DoseUnit {
  switch (kind) {
    case 'time':
      return 'minutes';
    case 'untilDone':
      return 'pieces';
    case 'hold':
      return 'holds';
    default:
      return 'repetitions';
  }
}

/** How many times a target is done over: twice where each hand has its own turn. */
export function handTurns(hands: DoseHands): 1 | 2 {
  return hands === 'each' ? 2 : 1;
}
