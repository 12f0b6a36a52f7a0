import { z } from 'zod';
import type { CalendarDay, Instant } from '@/core/calendar';
import type { Child } from '@/core/students';
import type { ProgramVersion } from '@/core/programs';
import { DECISION_ANSWERS, SILENCE_ACTIONS, type Decision } from '@/core/review';

export const decisionInputSchema = z.object({
  childId: z.coerce.number().int().positive(),
  key: z.string().min(1).max(120),
  answer: z.enum(DECISION_ANSWERS),
  expectedVersion: z.coerce.number().int().min(0),
  reason: z.string().trim().max(400).default(''),
  /** For `wrote`: what goes to the family. */
  words: z.string().trim().max(600).default(''),
  /** The same in the therapist’s language, where the family reads another: saved, and offered again. */
  own: z.string().trim().max(600).default(''),
  laterDays: z.coerce.number().int().min(1).max(30).default(1),
  /** For `lifted`: what was found, whom it was spoken over with, from when and at which step it goes on. A rest, too, ends on `fromDay`. */
  found: z.string().trim().max(600).default(''),
  spokeTo: z.string().trim().max(200).default(''),
  fromDay: z.string().trim().max(10).default(''),
  atStep: z.coerce.number().int().min(1).max(12).optional(),
  /** For a step that a rule of safety asks about: why it is given all the same. */
  safetyReason: z.string().trim().max(300).default(''),
  /** For silence that is left for now: what was done about it. */
  silenceAction: z.enum(SILENCE_ACTIONS).optional(),
});

export type DecisionInput = z.infer<typeof decisionInputSchema>;

export interface Settling {
  readonly input: DecisionInput;
  readonly decision: Decision;
  readonly child: Child;
  readonly today: CalendarDay;
  readonly program: ProgramVersion;
  readonly decisionId: number;
  /** The one moment of all that the decision does: its undoing looks for it. */
  readonly at: Instant;
}
