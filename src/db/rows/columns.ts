import { z } from 'zod';
import type { Watched } from '@/core/vocabulary';
import type { BandSettings, MOfNSettings, StreakSettings, Suggestion } from '@/core/stepRules';
import { calendarDay } from '@/core/calendar';
import { plannedDoseSchema, type PlannedDose } from '@/core/dose';
import { taskChoicesSchema, type TaskChoices } from '@/core/programs';
import { EFFORTS, STOP_REASONS } from '@/core/reports';
import { HELP_LEVELS } from '@/core/vocabulary';
import { taskSettingsSchema, type TaskSettings } from '@/core/tasks';

/** Reads a column's value as its schema has it. A row that holds anything else stops here, with its column's name. */
export function reading<Value>(column: string, schema: z.ZodType<Value>): (value: unknown) => Value {
  return (value) => {
    const read = schema.safeParse(value);
    if (read.success) return read.data;
    const where = read.error.issues.map((issue) => issue.path.join('.') || column).join(', ');
    throw new TypeError(`The column ${column} does not hold what it should: ${where}`);
  };
}

/** Schema of a closed list. @throws TypeError for a word that is not on it. */
export function oneOf<Choice extends string>(column: string, choices: readonly Choice[], value: unknown): Choice {
  const choice = choices.find((candidate) => candidate === value);
  if (choice === undefined)
    throw new TypeError(`The column ${column} holds ${JSON.stringify(value)}, which is none of ${choices.join(', ')}`);
  return choice;
}

export function oneOfOrNull<Choice extends string>(column: string, choices: readonly Choice[], value: unknown): Choice | null {
  return value === null ? null : oneOf(column, choices, value);
}

const texts = z.array(z.string());
export const readTexts = reading<string[]>('a list of texts', texts);
export const readWeekdays = reading<number[]>('weekdays', z.array(z.number().int().min(1).max(7)));
export const readDose = reading<PlannedDose>('dose', plannedDoseSchema);
export const readChoices = reading<TaskChoices>('choices', taskChoicesSchema);
export const readTaskSettings = reading<TaskSettings>('task_settings', taskSettingsSchema);

const count = z.number().int().min(0);
const streakSettingsSchema: z.ZodType<StreakSettings> = z.object({
  reachedInARow: count,
  onDays: count,
  struggledInARow: count,
  gapDays: count,
});
const mOfNSettingsSchema: z.ZodType<MOfNSettings> = z.object({
  lastSessions: count,
  reached: count,
  struggled: count,
  onDays: count,
  gapDays: count,
});
const bandSettingsSchema: z.ZodType<BandSettings> = z.object({
  lastSessions: count,
  below: z.number(),
  above: z.number(),
  onDays: count,
  gapDays: count,
});
const suggestionSchema: z.ZodType<Suggestion> = z.object({
  move: z.enum(['up', 'down', 'hold', 'holdForPerson', 'ladderEnd', 'stuck']),
  toStep: z.number().int().min(1),
  rule: z.discriminatedUnion('name', [
    z.object({ name: z.literal('streak'), settings: streakSettingsSchema }),
    z.object({ name: z.literal('mOfN'), settings: mOfNSettingsSchema }),
    z.object({ name: z.literal('band'), settings: bandSettingsSchema }),
  ]),
  evidence: z.object({
    reportIds: z.array(z.number().int()),
    sessionsAtStep: count,
    reachedInARow: count,
    reachedOnDays: count,
    struggledInARow: count,
    struggledOnDays: count.optional(),
    helpTold: count.optional(),
    refused: count.optional(),
    last: z.object({ sessions: count, reached: count, struggled: count, onDays: count, meanSuccess: z.number().optional() }).optional(),
  }),
  tries: z.array(z.object({ from: z.string().transform(calendarDay), sessions: count, reached: count, endedDown: z.boolean() })).optional(),
  whatWouldChange: z.union([
    z.object({
      code: z.enum([
        'oneNotReached',
        'oneNotStruggled',
        'fewerReached',
        'fewerStruggled',
        'withinBand',
        'personReads',
        'anotherWay',
        'helpTold',
        'older',
      ]),
    }),
    z.object({ code: z.literal('moreNeeded'), reached: count, days: count }),
    z.object({ code: z.literal('sessionsNeeded'), sessions: count }),
  ]),
});
export const readSuggestion = reading<Suggestion | null>('suggestion', suggestionSchema.nullable());

export const readWatched = reading<Watched | null>(
  'watched',
  z
    .record(z.string(), z.string())
    .nullable()
    .transform((seen) => seen as Watched | null),
);

const amount = z.number().nullable();
const textOfReportSchema = z.object({
  done: z.boolean(),
  doneOn: z.string().transform(calendarDay),
  step: z.number().int(),
  left: amount,
  right: amount,
  plainAmount: amount,
  help: z.enum(HELP_LEVELS).nullable(),
  effort: z.enum(EFFORTS).nullable(),
  stopReason: z.enum(STOP_REASONS).nullable(),
  words: z.string(),
});
/** Values of a report, as they are stored beside their correction. */
export type TextOfReport = z.output<typeof textOfReportSchema>;
export const readTextOfReport = reading<TextOfReport>('before_correction', textOfReportSchema);
