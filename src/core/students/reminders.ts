import { z } from 'zod';

/** When a family wishes to be reminded, and by which clock: its own. No weekdays and no word after silence: never. */
export const remindersSchema = z.strictObject({
  weekdays: z
    .array(z.number().int().min(1).max(7))
    .max(7)
    .transform((days) => [...new Set(days)].sort()),
  at: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'notATime'),
  /** A gentle word after a week without any, at most weekly. */
  afterSilence: z.boolean(),
  /** Service, where the family has both; null: the same as for everything else. */
  way: z.enum(['text', 'email']).nullable().default(null),
  /** The called name may stand in messages: the family said so. */
  mayName: z.boolean().default(false),
});
export type Reminders = Readonly<z.output<typeof remindersSchema>>;

/** Defaults where nothing was set: no reminders, and the hour that a form begins with. */
export const NO_REMINDERS: Reminders = { weekdays: [], at: '16:00', afterSilence: false, way: null, mayName: false };
