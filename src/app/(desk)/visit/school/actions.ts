'use server';

import { act } from '@/app/screen';
import { measure } from '@/server/measurements/measure';
import { faultWords } from '@/ui/desk/frame/Trouble';

/** Takes what was measured at a visit in, once by its key; the words of what was wrong, or null. */
export async function measureAtVisitAction(given: unknown): Promise<string | null> {
  const answered = await act((actor, context) => measure(context, actor, given));
  return answered.ok ? null : faultWords(answered.fault);
}
