import { z } from 'zod';
import { RULE_NAMES } from '../vocabulary';

/**
 * Settings on which schools of thought differ, each with its choices, in the order in which screens show them. Each is the
 * therapist's to choose, for a student or for a task in a program.
 */
export const SETTING_CHOICES = {
  /** The order in which shapes are met; `free` takes `freeShapes`. */
  shapeOrder: ['strokesFirst', 'circleFirst', 'crossingsFirst', 'free'],
  markOrder: ['traceFirst', 'imitateFirst'],
  /** A hand on the child's hand, only the wrist steadied, or a tool that needs no hand. */
  helpBy: ['hand', 'wrist', 'tool'],
  hands: ['preferred', 'bothInTurn', 'acrossMiddle'],
  grasp: ['anyPinch', 'threeFingers'],
  accuracy: ['lineKept', 'closeEnough'],
  promptFading: ['mostToLeast', 'leastToMost'],
  /** Rule by which steps are suggested. */
  advancing: RULE_NAMES,
  /** Flipped over from the floor, one arm after the other, or hood first. */
  coat: ['floorFlip', 'oneArm', 'hoodFirst'],
} as const;
export type SettingId = keyof typeof SETTING_CHOICES;

const choiceOf = <Id extends SettingId>(setting: Id) => z.enum(SETTING_CHOICES[setting]).optional();

export const taskSettingsSchema = z.strictObject({
  shapeOrder: choiceOf('shapeOrder'),
  freeShapes: z.array(z.string().min(1).max(40)).max(30).optional(),
  markOrder: choiceOf('markOrder'),
  helpBy: choiceOf('helpBy'),
  hands: choiceOf('hands'),
  grasp: choiceOf('grasp'),
  accuracy: choiceOf('accuracy'),
  promptFading: choiceOf('promptFading'),
  advancing: choiceOf('advancing'),
  coat: choiceOf('coat'),
});

export type TaskSettings = z.infer<typeof taskSettingsSchema>;

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
