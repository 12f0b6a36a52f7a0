import { z } from 'zod';
import { doseSchemaOf, stepDoseSchema } from '../dose';
import { KNOB_IDS, MEASURES, type KnobKey, type MeasureName } from '../knobs';
import { PICTURES } from '../pictures';
import { sheetSpecSchema } from './sheetSpec';
import { localTextSchemaOf } from '../text';
import { taskSettingsSchema } from './settings';
import { ALLERGENS, HAZARDS, PARTS, SKILLS, SKINS, TEXTURES, WATCH_ITEMS } from '../vocabulary';

const slugSchema = z.string().regex(/^[a-z][a-z0-9-]*$/);

const knobKeySchema = z.union([z.enum(KNOB_IDS), z.templateLiteral(['own:', z.string().regex(/^[a-zA-Z0-9-]+$/)])]);

const gradeSchema = z.partialRecord(knobKeySchema, z.number().int().min(0).max(12));

const measuresSchema = z.strictObject(
  Object.fromEntries(MEASURES.map((name) => [name, z.number().positive().max(100_000).optional()])) as Record<
    MeasureName,
    z.ZodOptional<z.ZodNumber>
  >,
);

/** Steps of the ladder, 1-based, both included; all where nothing is said. */
const spanSchema = z.strictObject({ from: z.number().int().min(1), to: z.number().int().min(1) });

const mm = z.number().positive().max(10_000);

/** The outer shape of a thing, for the check of small parts. */
const shapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('sphere'), diameterMm: mm }),
  z.strictObject({ kind: z.literal('cylinder'), diameterMm: mm, lengthMm: mm }),
  z.strictObject({ kind: z.literal('box'), lengthMm: mm, widthMm: mm, heightMm: mm }),
]);

const careFields = {
  shape: shapeSchema.optional(),
  hazards: z.array(z.enum(HAZARDS)).default([]),
  allergens: z.array(z.enum(ALLERGENS)).default([]),
  textures: z.array(z.enum(TEXTURES)).default([]),
};

/** The schemas of a task and its parts; `least` is 0 where words and lists may still be empty, as on the bench. */
function schemasOf(least: 0 | 1) {
  const localTextSchema = localTextSchemaOf(least);

  const levelSchema = localTextSchema.extend({
    usual: z.string().min(1).max(40).optional(),
    measures: measuresSchema.optional(),
    needs: z.array(slugSchema).max(4).optional(),
  });

  const knobSchema = z.strictObject({
    knob: knobKeySchema,
    name: localTextSchema.optional(),
    levels: z.array(levelSchema).min(2).max(10),
    weight: z.number().positive().max(5).optional(),
  });

  const stepSchema = z.strictObject({
    name: localTextSchema,
    /** Instruction for this step, said to the helper. */
    how: localTextSchema,
    grade: gradeSchema,
    manyKnobsReason: z.string().min(1).max(300).optional(),
    /** How much of it, and with which hands, where this step asks for it in its own way. */
    dose: stepDoseSchema.optional(),
    /** Fading within one session: so many first with a cue ("the dots"), the rest without it. */
    fading: localTextSchema.extend({ first: z.number().int().min(1).max(20) }).optional(),
    /** Parameters of the worksheet that is drawn on, cut, folded or written on at this step. */
    sheet: sheetSpecSchema.optional(),
  });

  const substituteSchema = localTextSchema.extend({
    /** The thing at home that it is; a substitute without it is only offered in words. */
    id: slugSchema.optional(),
    ...careFields,
    /** How many of it stand for one of the thing; 1 where nothing is said. */
    times: z.number().positive().max(50).optional(),
    /** Effect on the grade: the levels at which these knobs then are. */
    levels: z
      .array(z.strictObject({ knob: knobKeySchema, level: z.number().int().min(0).max(12) }))
      .max(4)
      .default([]),
    /** Effect where the task has no such levels: harder or easier by that knob, for the therapist to know. */
    turns: z.record(z.string().min(1).max(60), z.enum(['easier', 'harder'])).optional(),
    /** Why it turns nothing: "as wide". */
    same: z.string().min(1).max(120).optional(),
  });

  /** How a thing is made or prepared: amounts, moves, what only a grown-up does, with its own hazards, and how long it keeps. */
  const recipeSchema = z.strictObject({
    amounts: z.array(localTextSchema).max(8),
    moves: z.array(localTextSchema).min(least).max(8),
    grownUp: z.array(localTextSchema).max(4).default([]),
    hazards: z.array(z.enum(HAZARDS)).default([]),
    keeps: localTextSchema.optional(),
  });

  const materialSchema = z.strictObject({
    id: slugSchema,
    name: localTextSchema,
    count: z.number().int().min(1).max(200),
    /** True where the task goes on without it. */
    optional: z.boolean().optional(),
    recipe: recipeSchema.optional(),
    sizeMm: z.number().positive().max(3000).optional(),
    /** The steps of the ladder that need it, both included; all where nothing is said. */
    steps: spanSchema.optional(),
    ...careFields,
    substitutes: z.array(substituteSchema).max(4).default([]),
    /** Parts that come off it or out of it while it is used; with `steps`, only there. */
    looseParts: z
      .array(
        z.strictObject({
          id: slugSchema,
          name: localTextSchema,
          sizeMm: z.number().positive().max(3000).optional(),
          steps: spanSchema.optional(),
          ...careFields,
        }),
      )
      .max(4)
      .default([]),
  });

  /** A thing that homes have: what the library's tasks, the homes and the bench all call by one id. */
  const homeMaterialSchema = z.strictObject({ id: slugSchema, name: localTextSchema, ...careFields });

  const placeSchema = z.strictObject({
    what: localTextSchema,
    place: z.enum(['preferredSide', 'otherSide', 'middle', 'far']),
    /** The materials that it is, by their ids: it lies there only where one of them is needed, and of several bears the name of that one. */
    things: z.array(slugSchema).max(6).optional(),
  });

  /** A line of the instructions; with `steps` it is said only there. */
  const lineSchema = localTextSchema.extend({ steps: spanSchema.optional() });

  /** Another dress of the same task: only what it is called and the story told change. */
  const dressSchema = z.strictObject({ title: localTextSchema, story: localTextSchema });

  const taskContentSchema = z.strictObject({
    slug: slugSchema,
    title: localTextSchema,
    /** Names what is done, in plain words and the same in every theme: “Cut along a curved line”. */
    description: localTextSchema.optional(),
    /** A sentence of the story that makes it play. */
    story: localTextSchema.optional(),
    skins: z.partialRecord(z.enum(SKINS), dressSchema).default({}),
    skill: z.enum(SKILLS),
    otherSkills: z.array(z.enum(SKILLS)).max(6),
    part: z.enum(PARTS),
    ages: z.strictObject({ fromYears: z.number().int().min(2).max(12), toYears: z.number().int().min(2).max(12) }),
    knobs: z.array(knobSchema).min(1).max(KNOB_IDS.length),
    ladder: z.strictObject({
      startStep: z.number().int().min(1),
      startReason: z.string().min(1).max(300).optional(),
      steps: z
        .array(stepSchema)
        .min(1 + least)
        .max(12),
    }),
    dose: doseSchemaOf(least),
    materials: z.array(materialSchema).max(12),
    tableMap: z.array(placeSchema).max(6),
    helperSteps: z.array(lineSchema).min(least).max(8),
    childSteps: z.array(lineSchema).min(least).max(8),
    /** Cues that make the right movement happen without correcting. */
    cues: z.array(lineSchema).max(4).default([]),
    looksRight: z.array(lineSchema).min(least).max(6),
    cautions: z.array(lineSchema).min(least).max(6),
    /** Hazards of the moves, apart from the materials. */
    moveHazards: z.array(z.enum(HAZARDS)).default([]),
    stopRule: localTextSchema,
    /** Why it helps, in one line for the family. */
    why: localTextSchema.optional(),
    /** Words for a child who is stuck. */
    stuck: localTextSchema.optional(),
    /** Things that a task offers to look for: at most two are shown to a family. */
    watchFor: z.array(z.enum(WATCH_ITEMS)).max(4).optional(),
    /** Drawings of what a good one looks like, for the working hand; with `steps`, only there. */
    pictures: z
      .array(z.strictObject({ picture: z.enum(PICTURES), steps: spanSchema.optional() }))
      .max(3)
      .optional(),
    /** Tasks that are much the same in another dress: one of a kind a week. */
    family: slugSchema.optional(),
    /** The shape that it teaches; the school's order says which one comes next. */
    shape: z.string().min(1).max(40).optional(),
    /** The settings that this task knows, with what it takes where nobody chooses. */
    settings: taskSettingsSchema.default({}),
    /** Another way to the same strength for a child who may not have this. */
    twins: z
      .array(z.strictObject({ slug: slugSchema, instead: z.enum(['scissors', 'food', 'smallParts']) }))
      .max(3)
      .default([]),
  });

  return { homeMaterialSchema, taskContentSchema };
}

const FINISHED = schemasOf(1);
export const { homeMaterialSchema } = FINISHED;
export type HomeMaterial = z.infer<typeof homeMaterialSchema>;

/** A task: its mechanics (knobs, ladder, dose, materials) and its words. Frozen once it is part of a sent program. */
export const taskContentSchema = FINISHED.taskContentSchema;
/** A task that is still on the bench: words and lists may be empty, a ladder may have one step. */
export const taskDraftSchema = schemasOf(0).taskContentSchema;

export type TaskContent = z.infer<typeof taskContentSchema>;
export type TaskStep = TaskContent['ladder']['steps'][number];
export type Material = TaskContent['materials'][number];
export type Recipe = NonNullable<Material['recipe']>;
export type Substitute = Material['substitutes'][number];
export type Shape = z.infer<typeof shapeSchema>;

export type StepSpan = z.infer<typeof spanSchema>;
/** A line of the instructions. */
export type TaskLine = TaskContent['helperSteps'][number];

const LINES = ['helperSteps', 'childSteps', 'cues', 'looksRight', 'cautions'] as const;

/**
 * The task with its spans of steps changed, as when a step comes or goes.
 * @param change gives the new span, or null for what stands at no step any more
 */
export function withSpans(task: TaskContent, change: (span: StepSpan) => StepSpan | null): TaskContent {
  const changed = <Item extends { readonly steps?: StepSpan | undefined }>(items: readonly Item[]): Item[] =>
    items.flatMap((item) => {
      if (!item.steps) return [item];
      const steps = change(item.steps);
      return steps ? [{ ...item, steps }] : [];
    });
  const lines = Object.fromEntries(LINES.map((list) => [list, changed(task[list])])) as Pick<TaskContent, (typeof LINES)[number]>;
  return { ...task, ...lines, materials: changed(task.materials) };
}

/** True where a material is needed, or a line is said, at any of the steps from `from` to `to`, both included. */
export function isNeededAt(material: { readonly steps?: StepSpan | undefined }, from: number, to = from): boolean {
  return !material.steps || (material.steps.from <= to && material.steps.to >= from);
}

/** The knobs that a task turns, by name. */
export function knobOf(task: Pick<TaskContent, 'knobs'>, knob: KnobKey) {
  return task.knobs.find((candidate) => candidate.knob === knob) ?? null;
}
