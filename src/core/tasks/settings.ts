import { z } from 'zod';

/** What schools of thought settle differently. Each is the therapist's to choose, for a child or for a task in a program. */
export const taskSettingsSchema = z.strictObject({
  /** The order in which shapes are met; `free` takes `freeShapes`. */
  shapeOrder: z.enum(['strokesFirst', 'circleFirst', 'crossingsFirst', 'free']).optional(),
  freeShapes: z.array(z.string().min(1).max(40)).max(30).optional(),
  markOrder: z.enum(['traceFirst', 'imitateFirst']).optional(),
  /** A hand on the child's hand, only the wrist steadied, or a tool that needs no hand. */
  helpBy: z.enum(['hand', 'wrist', 'tool']).optional(),
  hands: z.enum(['preferred', 'bothInTurn', 'acrossMiddle']).optional(),
  grasp: z.enum(['anyPinch', 'threeFingers']).optional(),
  accuracy: z.enum(['lineKept', 'closeEnough']).optional(),
  promptFading: z.enum(['mostToLeast', 'leastToMost']).optional(),
  /** By which rule steps are suggested. */
  advancing: z.enum(['streak', 'mOfN', 'band']).optional(),
  /** Flipped over from the floor, one arm after the other, or hood first. */
  coat: z.enum(['floorFlip', 'oneArm', 'hoodFirst']).optional(),
});

export type TaskSettings = z.infer<typeof taskSettingsSchema>;
export type SettingId = Exclude<keyof TaskSettings, 'freeShapes'>;

/** Every setting with its choices, in the order in which screens show them. */
export const SETTING_CHOICES = {
  shapeOrder: ['strokesFirst', 'circleFirst', 'crossingsFirst', 'free'],
  markOrder: ['traceFirst', 'imitateFirst'],
  helpBy: ['hand', 'wrist', 'tool'],
  hands: ['preferred', 'bothInTurn', 'acrossMiddle'],
  grasp: ['anyPinch', 'threeFingers'],
  accuracy: ['lineKept', 'closeEnough'],
  promptFading: ['mostToLeast', 'leastToMost'],
  advancing: ['streak', 'mOfN', 'band'],
  coat: ['floorFlip', 'oneArm', 'hoodFirst'],
} as const satisfies Record<SettingId, readonly string[]>;

/**
 * The orders in which schools meet strokes and shapes. Source: common practice, no published source.
 */
export const SHAPE_ORDERS = {
  strokesFirst: [
    'vertical',
    'horizontal',
    'circle',
    'cross',
    'bracket',
    'slantLeft',
    'slantRight',
    'cCurve',
    'uCurve',
    'square',
    'x',
    'nCurve',
    'zigzag',
    'triangle',
    'rectangle',
    'wave',
    'spiral',
    'star',
    'loops',
    'overlap',
    'house',
    'diamond',
  ],
  circleFirst: [
    'circle',
    'cross',
    'square',
    'triangle',
    'letters',
    'vertical',
    'horizontal',
    'cCurve',
    'bracket',
    'uCurve',
    'slantLeft',
    'slantRight',
    'x',
    'nCurve',
    'rectangle',
    'zigzag',
    'wave',
    'spiral',
    'star',
    'loops',
    'overlap',
    'house',
    'diamond',
  ],
  crossingsFirst: [
    'vertical',
    'horizontal',
    'cross',
    'x',
    'circle',
    'triangle',
    'square',
    'rectangle',
    'bracket',
    'slantLeft',
    'slantRight',
    'cCurve',
    'uCurve',
    'nCurve',
    'zigzag',
    'wave',
    'spiral',
    'star',
    'loops',
    'overlap',
    'house',
    'diamond',
  ],
} as const;
