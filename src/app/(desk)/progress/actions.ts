'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import type { Answer } from '@/server/answer';
import { closePeriod, dropPattern, keepPattern, reopenPeriod, writeWords } from '@/server/progress/writeProgress';
import { faultWords } from '@/ui/desk/frame/Trouble';

function told(answered: Answer<void>): string | null {
  if (answered.ok) revalidatePath('/progress');
  return answered.ok ? null : faultWords(answered.fault);
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

export async function keepPatternAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => keepPattern(context, actor, Object.fromEntries(form))));
}

export async function dropPatternAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => dropPattern(context, actor, Object.fromEntries(form))));
}
