'use server';

import { revalidatePath } from 'next/cache';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import type { Answer } from '@/server/answer';
import { closePeriod, deletePattern, savePattern, reopenPeriod, writeWords } from '@/server/progress/writeProgress';

function told(answered: Answer<void>): string | null {
  if (answered.ok) revalidatePath('/progress');
  return faultOrNull(answered);
}

export async function writeWordsAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => writeWords(context, actor, Object.fromEntries(form))));
}

export async function closePeriodAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => closePeriod(context, actor, Object.fromEntries(form))));
}

export async function reopenPeriodAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => reopenPeriod(context, actor, Object.fromEntries(form))));
}

export async function savePatternAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => savePattern(context, actor, Object.fromEntries(form))));
}

export async function deletePatternAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => deletePattern(context, actor, Object.fromEntries(form))));
}
