import { z } from 'zod';
import { normalEmail } from '@/core/text';

/** An address in its normal form. */
export const emailSchema = z.string().transform((text, context) => {
  const email = normalEmail(text);
  if (email === null) context.addIssue({ code: 'custom', message: 'notAnAddress' });
  return email ?? z.NEVER;
});
