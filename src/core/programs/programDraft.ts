import { z } from 'zod';
import { calendarDaySchema } from '../calendar';
import { plannedDoseSchema } from '../dose';
import { sheetSpecSchema } from '../tasks';
import { taskSettingsSchema } from '../tasks';
import { PARTS, SKINS } from '../vocabulary';

const daySchema = calendarDaySchema('notADay');

const STEP_NUMBERS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '10', '11', '12'] as const;

/** Choices made for one student, beside step and dose. Frozen with the version. */
export const taskChoicesSchema = z.strictObject({
  skin: z.enum(SKINS).optional(),
  settings: taskSettingsSchema.optional(),
  /** The child's own settings when it was sent: they hold where nothing was chosen for the task. */
  childSettings: taskSettingsSchema.optional(),
  /** Why the task is given although a rule of safety asks for a reason, by the key of the finding. */
  reasons: z.record(z.string().max(120), z.string().max(300)).optional(),
  /** True where the therapist takes another order of the steps than the one that was sent. Not frozen. */
  takesNewOrder: z.boolean().optional(),
  /** Replacements in this home: ids of the substitutes by ids of the materials. */
  replaced: z.record(z.string().max(80), z.string().max(80)).optional(),
  /** Sheets of this child's own, by step, in place of the task's. */
  sheets: z.partialRecord(z.enum(STEP_NUMBERS), sheetSpecSchema).optional(),
  /** Clips that show how it is done, by their ids. One that was taken away, or whose day is over, is shown no more. */
  clips: z.array(z.number().int().positive()).max(4).optional(),
  /** True where the family is asked to send a clip or a picture back, if it likes to. */
  asksBack: z.boolean().optional(),
});
export type TaskChoices = z.infer<typeof taskChoicesSchema>;

export const plannedTaskSchema = z.strictObject({
  taskVersionId: z.number().int().positive(),
  part: z.enum(PARTS),
  /** 1-based step of the ladder for today. */
  step: z.number().int().min(1).max(12),
  /** The steps that the family may swap to, both included; both equal to `step` allows no swap. */
  chooseFrom: z.number().int().min(1).max(12),
  chooseTo: z.number().int().min(1).max(12),
  /** ISO weekdays, 1 to 7. */
  weekdays: z
    .array(z.number().int().min(1).max(7))
    .max(7)
    .refine((days) => new Set(days).size === days.length, 'sameDayTwice'),
  dose: plannedDoseSchema,
  choices: taskChoicesSchema.default({}),
  /** Placed by the planner and not touched since, or nailed where it stands. Nothing of it is sent. */
  mark: z.enum(['filled', 'nailed']).optional(),
});

/** A program in preparation. Sending freezes it as the next version. */
export const programDraftSchema = z.strictObject({
  startsOn: daySchema,
  endsOn: daySchema,
  tasks: z.array(plannedTaskSchema).max(12),
  note: z.string().max(600),
});

export type PlannedTask = z.infer<typeof plannedTaskSchema>;
export type ProgramDraft = z.infer<typeof programDraftSchema>;
