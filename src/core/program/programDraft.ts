import { z } from 'zod';
import { parseCalendarDay, type CalendarDay } from '../calendar';
import { doseSchema, PARTS } from '../tasks';

const daySchema = z.string().transform((text, context): CalendarDay => {
  const day = parseCalendarDay(text);
  if (!day) context.addIssue({ code: 'custom', message: 'notADay' });
  return day ?? ('' as CalendarDay);
});

export const plannedTaskSchema = z.strictObject({
  taskVersionId: z.number().int().positive(),
  part: z.enum(PARTS),
  /** 1-based step of the ladder for today. */
  step: z.number().int().min(1).max(12),
  /** The steps that the family may swap to, both included; both equal to `step` allows no swap. */
  chooseFrom: z.number().int().min(1).max(12),
  chooseTo: z.number().int().min(1).max(12),
  /** ISO weekdays, 1 to 7. */
  weekdays: z.array(z.number().int().min(1).max(7)).max(7),
  dose: doseSchema,
});

/** What the therapist is putting together. Sending freezes it as the next version. */
export const programDraftSchema = z.strictObject({
  startsOn: daySchema,
  endsOn: daySchema,
  tasks: z.array(plannedTaskSchema).max(12),
  note: z.string().max(600),
});

export type PlannedTask = z.infer<typeof plannedTaskSchema>;
export type ProgramDraft = z.infer<typeof programDraftSchema>;
