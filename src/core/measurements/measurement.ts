import { z } from 'zod';
import { calendarDaySchema } from '../calendar';
import { HELP_LEVELS } from '../vocabulary';
import { WATCH_ANSWERS, WATCH_ITEMS, type Watched } from '../vocabulary';

const MOST_TRIALS = 500;
const count = z.number('notWhole').int('notWhole').min(0, 'negative').max(MOST_TRIALS, 'tooMuch').nullable();
const day = calendarDaySchema();

/** A measurement by a person at school: good repetitions of trials, help, minutes, things watched for, a note. */
export const measurementSchema = z
  .strictObject({
    /** The goal that it measures; null where it measures none that is written. */
    goalId: z.number().int().positive().nullable(),
    /** The task that was done, and its step; null for what is no task of a program. */
    taskId: z.number().int().positive().nullable(),
    step: z.number().int().min(1).max(12).nullable(),
    measuredOn: day,
    good: count,
    trials: count,
    help: z.enum(HELP_LEVELS).nullable(),
    /** The level reached, by its place in the goal's own words, 0-based; null for what is no goal of levels. */
    level: z.number('notWhole').int('notWhole').min(0, 'negative').max(6, 'tooMuch').nullable().default(null),
    minutes: z.number('notAnAmount').min(0, 'notAnAmount').max(600, 'notAnAmount').nullable(),
    watched: z
      .record(z.string(), z.string())
      .transform((seen): Watched =>
        Object.fromEntries(
          WATCH_ITEMS.flatMap((item) =>
            (WATCH_ANSWERS[item] as readonly string[]).includes(seen[item] ?? '') ? [[item, seen[item]]] : [],
          ),
        ),
      ),
    note: z.string().trim().max(1000, 'tooMuch'),
  })
  .superRefine(({ good, trials, help, level, minutes, watched, note, step, taskId, goalId }, context) => {
    const issue = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
    if (good !== null && trials === null) issue('trials', 'trialsMissing');
    if (trials !== null && good === null) issue('good', 'goodMissing');
    if (good !== null && trials !== null && good > trials) issue('good', 'goodOverTrials');
    if (trials === 0) issue('trials', 'noTrials');
    if (step !== null && taskId === null) issue('step', 'stepWithoutTask');
    if (level !== null && goalId === null) issue('level', 'levelWithoutGoal');
    const tellsNothing =
      good === null && help === null && level === null && minutes === null && note === '' && Object.keys(watched).length === 0;
    if (tellsNothing) issue('note', 'nothingMeasured');
  });
export type Measurement = Readonly<z.output<typeof measurementSchema>>;
