import { z } from 'zod';
import { calendarDaySchema } from '../calendar';
import { HELP_LEVELS } from '../vocabulary';
import { SKILLS } from '../vocabulary';

const day = calendarDaySchema();

const line = (most: number) => z.string().trim().min(1, 'empty').max(most, 'tooMuch');
const amount = z.number('notAnAmount').min(0, 'notAnAmount').max(600, 'notAnAmount');

/** How far a goal is, from its baseline to its criterion, in one unit; `words` is a goal from a file, which measures nothing until its numbers are written. */
const measureSchema = z.discriminatedUnion('kind', [
  /** Good repetitions out of `of` tries. */
  z.strictObject({
    kind: z.literal('count'),
    of: z.number('notAnAmount').int('notAnAmount').min(1, 'notAnAmount').max(200),
    from: amount,
    to: amount,
    baselineOn: day,
  }),
  z.strictObject({ kind: z.literal('help'), from: z.enum(HELP_LEVELS), to: z.enum(HELP_LEVELS), baselineOn: day }),
  z.strictObject({ kind: z.literal('minutes'), from: amount, to: amount, baselineOn: day }),
  /** Levels in the therapist's own words, the lowest first; `from` and `to` are their places, 0-based. */
  z.strictObject({
    kind: z.literal('rating'),
    levels: z.array(line(80)).min(2, 'twoLevels').max(7),
    from: z.number().int().min(0),
    to: z.number().int().min(0),
    baselineOn: day,
  }),
  z.strictObject({ kind: z.literal('words'), baseline: z.string(), criterion: z.string() }),
]);
export type GoalMeasure = z.output<typeof measureSchema>;

/** A goal as a therapist writes it. Its parts are measurable, so that progress is calculated and not remembered. */
export const goalSchema = z
  .strictObject({
    skill: z.enum(SKILLS),
    statement: line(400),
    measure: measureSchema,
    /** The most help with which it still counts. */
    mostHelp: z.enum(HELP_LEVELS),
    /** In how many sessions in a row the criterion is met before the goal is. */
    sessions: z.number('notAnAmount').int('notAnAmount').min(1, 'notAnAmount').max(20, 'notAnAmount'),
    reviewOn: day,
    /** The tasks that serve it. */
    taskIds: z
      .array(z.number().int().positive())
      .max(12)
      .transform((ids) => [...new Set(ids)]),
  })
  .superRefine(({ measure, reviewOn }, context) => {
    const issue = (path: string, message: string) => context.addIssue({ code: 'custom', path: path.split('.'), message });
    if (measure.kind === 'words') return;
    if (measure.baselineOn >= reviewOn) issue('reviewOn', 'reviewBeforeBaseline');
    const { from, to } = valuesOf(measure)!;
    if (to <= from) issue('measure.to', 'criterionNotAbove');
    if (measure.kind === 'count' && to > measure.of) issue('measure.to', 'criterionOver');
    if (measure.kind === 'rating' && to >= measure.levels.length) issue('measure.to', 'criterionOver');
  });
export type GoalContent = Readonly<z.output<typeof goalSchema>>;

/** Baseline and criterion as numbers of one unit (a count, a place in the order of help or of own words, minutes); null where words alone tell them. */
export function valuesOf(measure: GoalMeasure): { readonly from: number; readonly to: number } | null {
  if (measure.kind === 'words') return null;
  if (measure.kind === 'help') return { from: HELP_LEVELS.indexOf(measure.from), to: HELP_LEVELS.indexOf(measure.to) };
  return { from: measure.from, to: measure.to };
}

/** A task serves a goal that names it, or, where a goal names none, the goal of its main skill. */
export function servesGoal(
  goal: Pick<GoalContent, 'taskIds' | 'skill'>,
  task: { readonly taskId: number; readonly skill: string },
): boolean {
  return goal.taskIds.length > 0 ? goal.taskIds.includes(task.taskId) : goal.skill === task.skill;
}
