'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import { closePeriod, writeWords } from '@/server/progress/writeProgress';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function writeWordsAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => writeWords(context, actor, Object.fromEntries(form)));
  if (answered.ok) revalidatePath('/progress');
  return answered.ok ? null : faultWords(answered.fault);
}

export async function closePeriodAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => closePeriod(context, actor, Object.fromEntries(form)));
  if (answered.ok) revalidatePath('/progress');
  return answered.ok ? null : faultWords(answered.fault);
}
