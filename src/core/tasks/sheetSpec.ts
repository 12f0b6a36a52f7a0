import { z } from 'zod';
import { localTextSchemaOf } from '../text';

/** How much of a stroke is shown, from all of it to nothing. */
export const CUES = ['full', 'dots', 'fewerDots', 'endDots', 'numbered', 'box', 'blank'] as const;
export type Cue = (typeof CUES)[number];

const mm = (least: number, most: number) => z.number().min(least).max(most);
const many = (most: number) => z.number().int().min(1).max(most);

/** The middle of a road. Lengths are along the middle. */
const pathSchema = z.discriminatedUnion('form', [
  z.strictObject({ form: z.literal('straight'), lengthMm: mm(10, 190) }),
  /** Straight pieces of one length that turn by turns to one side and the other. */
  z.strictObject({ form: z.literal('zigzag'), lengthMm: mm(40, 600), corners: z.number().int().min(1).max(20) }),
  z.strictObject({ form: z.literal('arc'), lengthMm: mm(20, 400), radiusMm: mm(10, 400) }),
  /** Bends by turns, each part of a circle. */
  z.strictObject({ form: z.literal('wave'), bends: z.number().int().min(1).max(8), radiusMm: mm(8, 80), bendDegrees: mm(20, 200) }),
  z.strictObject({ form: z.literal('circle'), diameterMm: mm(15, 170) }),
  /** Half circles that grow by one gap each half turn. */
  z.strictObject({ form: z.literal('spiral'), turns: mm(1, 6), gapMm: mm(6, 40) }),
  z.strictObject({ form: z.literal('house'), lengthMm: mm(150, 700), hasDoor: z.boolean(), hasChimney: z.boolean() }),
  /** An outline of one's own as the d of an SVG path, absolute, in mm. */
  z.strictObject({ form: z.literal('own'), d: z.string().min(5).max(20_000), isClosed: z.boolean() }),
]);
export type PathSpec = z.infer<typeof pathSchema>;

/** A sheet of a step by its parameters, all in mm: from the same ones the same sheet is drawn. */
export const sheetSpecSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('strokes'),
    shape: z.string().min(1).max(20),
    cue: z.enum(CUES),
    sizeMm: mm(15, 150),
    count: many(12),
    /** A card to copy from, to be cut off. */
    hasModel: z.boolean().default(false),
  }),
  z.strictObject({
    kind: z.literal('letters'),
    /** Text to write, letter by letter; `{child}` is the called name, and a bar separates lines. */
    text: localTextSchemaOf(1),
    cue: z.enum(CUES),
    /** Boxes as high as each letter is, two lines, one line, or none. */
    ruling: z.enum(['boxes', 'two', 'one', 'none']),
    xHeightMm: mm(4, 45),
    rows: many(8).default(1),
    hasModel: z.boolean().default(false),
  }),
  z.strictObject({
    kind: z.literal('road'),
    path: pathSchema,
    widthMm: mm(1, 60),
    endWidthMm: mm(1, 60).optional(),
    use: z.enum(['cut', 'tear', 'trace']),
    count: many(12),
    /** The road goes across a strip, whose edges are drawn. */
    onStrip: z.boolean().default(false),
  }),
  z.strictObject({
    kind: z.literal('snips'),
    marks: z.enum(['none', 'wide', 'thin']),
    gapMm: mm(5, 50),
    deepMm: mm(10, 60),
    count: many(6),
  }),
  z.strictObject({
    kind: z.literal('halfShape'),
    sides: z.enum(['straight', 'curved']),
    folds: z.union([z.literal(1), z.literal(2)]),
    lengthMm: mm(40, 300),
    widthMm: mm(1, 30),
    hasCornerDots: z.boolean().default(false),
  }),
  z.strictObject({
    kind: z.literal('folds'),
    way: z.enum(['half', 'quarter', 'thirds', 'fan']),
    guide: z.enum(['band', 'dots', 'lines', 'none']),
    /** Width of each fold of a fan. */
    everyMm: mm(10, 80).optional(),
    /** Distance at which edges have to meet, where that is asked for: it is drawn to be laid beside. */
    withinMm: mm(1, 20).optional(),
  }),
  z.strictObject({
    kind: z.literal('strips'),
    widthMm: mm(10, 90),
    lengthMm: mm(20, 250),
    count: many(60),
    /** A mark where the grown-up notches, or tears half way. */
    mark: z.enum(['none', 'notch', 'half']).default('none'),
    notchMm: mm(1, 40).optional(),
  }),
  z.strictObject({
    kind: z.literal('glueMarks'),
    marks: z.enum(['rings', 'boxes', 'rows', 'frame', 'dots', 'none']),
    sizeMm: mm(4, 120),
    count: many(60),
    /** Marks on a curve in place of rows. */
    onCurve: z.boolean().default(false),
    areNumbered: z.boolean().default(false),
  }),
  z.strictObject({
    kind: z.literal('countCards'),
    sum: z.number().int().min(1).max(400),
    cards: many(24),
    seed: z.number().int().min(0).max(999_999),
  }),
  z.strictObject({
    kind: z.literal('coloring'),
    form: z.enum(['gate', 'band', 'frame', 'ring', 'grid']),
    sizeMm: mm(10, 160),
    edgeMm: mm(0.2, 8),
    /** Code by which a box of a grid names its color. */
    code: z.enum(['dots', 'shapes', 'numbers', 'sums']).optional(),
    count: many(30),
    seed: z.number().int().min(0).max(999_999).default(1),
  }),
  z.strictObject({
    kind: z.literal('copy'),
    /** Lines to be copied, parted by a bar. */
    text: localTextSchemaOf(1),
    ruling: z.enum(['shaded', 'plain', 'none', 'letterBoxes', 'wordBoxes', 'grid', 'columns']),
    lineMm: mm(5, 25),
    /** The text stands on the sheet, or on a card that is cut off. */
    onCard: z.boolean().default(false),
  }),
  z.strictObject({
    kind: z.literal('around'),
    diametersMm: z.array(mm(10, 150)).min(1).max(6),
    areTouching: z.boolean().default(false),
    isHole: z.boolean().default(false),
  }),
  z.strictObject({
    kind: z.literal('joinDots'),
    apartMm: mm(15, 180),
    count: z.number().int().min(2).max(30),
    dotMm: mm(2, 20).default(4),
  }),
  z.strictObject({
    kind: z.literal('tokens'),
    what: z.enum(['pairs', 'hands', 'ticks']),
    sizeMm: mm(20, 90),
    count: many(40),
    seed: z.number().int().min(0).max(999_999).default(1),
  }),
  /** The table from above, at its own size, to lay things on. */
  z.strictObject({ kind: z.literal('placemat') }),
  /** A page for the fridge: a stone for each task, to be crossed off. */
  z.strictObject({ kind: z.literal('stones'), sessions: many(14) }),
  z.strictObject({ kind: z.literal('blank') }),
]);
export type SheetSpec = z.infer<typeof sheetSpecSchema>;
export type SheetKind = SheetSpec['kind'];
export type SheetOf<Kind extends SheetKind> = Extract<SheetSpec, { kind: Kind }>;
