'use server';

import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import { measure } from '@/server/measurements/measure';

/** Takes what was measured at a visit in, once by its key; the words of what was wrong, or null. */
export async function measureAtVisitAction(given: unknown): Promise<string | null> {
  return faultOrNull(await act((actor, context) => measure(context, actor, given)));
}
