import { z } from 'zod';
import { KNOB_IDS, type KnobId } from '../knobs';
import { HAZARDS, PARTS, SKILLS } from './skills';

/** The same words in each language that the product speaks. */
export const localTextSchema = z.strictObject({ en: z.string().min(1).max(600), es: z.string().min(1).max(600) });
export type LocalText = z.infer<typeof localTextSchema>;

const gradeSchema = z.partialRecord(z.enum(KNOB_IDS), z.number().int().min(0).max(12));

const knobSchema = z.strictObject({
  knob: z.enum(KNOB_IDS),
  levels: z.array(localTextSchema).min(2).max(10),
  weight: z.number().positive().max(5).optional(),
});

const stepSchema = z.strictObject({
  name: localTextSchema,
  /** What is done at this step, said to the helper. */
  how: localTextSchema,
  grade: gradeSchema,
  manyKnobsReason: z.string().min(1).max(300).optional(),
});

export const doseSchema = z.strictObject({
  target: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('count'), perRound: z.number().int().min(1).max(100) }),
    z.strictObject({ kind: z.literal('time'), minutesPerRound: z.number().min(0.5).max(30) }),
    z.strictObject({ kind: z.literal('untilDone'), pieces: z.number().int().min(1).max(100) }),
  ]),
  rounds: z.number().int().min(1).max(20),
  hands: z.enum(['preferred', 'each', 'both']),
  secondsEach: z.number().min(0).max(300),
  restSeconds: z.number().min(0).max(600),
  setUpMinutes: z.number().min(0).max(30),
  tidyUpMinutes: z.number().min(0).max(30),
  piecesPerRepetition: z.number().int().min(0).max(10),
  setUpMovements: z
    .array(z.strictObject({ name: localTextSchema, skill: z.enum(SKILLS), timesPerRound: z.number().int().min(1).max(50) }))
    .max(6),
});

const materialSchema = z.strictObject({
  id: z.string().regex(/^[a-z][a-z0-9-]*$/),
  name: localTextSchema,
  count: z.number().int().min(1).max(200),
  sizeMm: z.number().positive().max(3000).optional(),
  /** The steps of the ladder that need it, both included; all where nothing is said. */
  steps: z.strictObject({ from: z.number().int().min(1), to: z.number().int().min(1) }).optional(),
  hazards: z.array(z.enum(HAZARDS)).default([]),
  substitutes: z.array(localTextSchema).max(4).default([]),
});

const placeSchema = z.strictObject({
  what: localTextSchema,
  place: z.enum(['preferredSide', 'otherSide', 'middle', 'far']),
});

/** A task: its mechanics (knobs, ladder, dose, materials) and its words. Frozen once it is part of a sent program. */
export const taskContentSchema = z.strictObject({
  slug: z.string().regex(/^[a-z][a-z0-9-]*$/),
  title: localTextSchema,
  skill: z.enum(SKILLS),
  otherSkills: z.array(z.enum(SKILLS)).max(6),
  part: z.enum(PARTS),
  ages: z.strictObject({ fromYears: z.number().int().min(2).max(12), toYears: z.number().int().min(2).max(12) }),
  knobs: z.array(knobSchema).min(1).max(KNOB_IDS.length),
  ladder: z.strictObject({
    startStep: z.number().int().min(1),
    startReason: z.string().min(1).max(300).optional(),
    steps: z.array(stepSchema).min(2).max(12),
  }),
  dose: doseSchema,
  materials: z.array(materialSchema).max(12),
  tableMap: z.array(placeSchema).max(6),
  helperSteps: z.array(localTextSchema).min(1).max(8),
  childSteps: z.array(localTextSchema).min(1).max(8),
  looksRight: z.array(localTextSchema).min(1).max(6),
  cautions: z.array(localTextSchema).min(1).max(6),
  stopRule: localTextSchema,
});

export type TaskContent = z.infer<typeof taskContentSchema>;
export type TaskStep = TaskContent['ladder']['steps'][number];

export type Material = TaskContent['materials'][number];

/** True where a material is needed at any of the steps from `from` to `to`, both included. */
export function isNeededAt(material: Pick<Material, 'steps'>, from: number, to = from): boolean {
  return !material.steps || (material.steps.from <= to && material.steps.to >= from);
}

/** The hazards that a task's materials bring at the steps from `from` to `to`, each once. */
export function hazardsOf(task: Pick<TaskContent, 'materials'>, from: number, to: number) {
  return [...new Set(task.materials.filter((material) => isNeededAt(material, from, to)).flatMap((material) => material.hazards))];
}

/** The knobs that a task turns, by name. */
export function knobOf(task: Pick<TaskContent, 'knobs'>, knob: KnobId) {
  return task.knobs.find((candidate) => candidate.knob === knob) ?? null;
}
