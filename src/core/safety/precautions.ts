import { z } from 'zod';

/** Considerations that a precaution calls for before a task that brings them is given. Common practice, no source. */
export const PRECAUTION_ASKS = ['weightOnHands', 'heavyGrip', 'lyingFlat', 'smallThings', 'onSkin'] as const;
export type PrecautionAsk = (typeof PRECAUTION_ASKS)[number];

export const precautionSchema = z.strictObject({
  /** The therapist's own short words: loose joints, a brace, seizures. */
  words: z.string().trim().min(1, 'empty').max(80, 'tooMuch'),
  asks: z.array(z.enum(PRECAUTION_ASKS)).max(PRECAUTION_ASKS.length),
});

/** Something of a child's body that a task has to be thought over for. */
export type Precaution = z.infer<typeof precautionSchema>;
