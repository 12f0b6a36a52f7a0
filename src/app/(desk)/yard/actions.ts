'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import { dropYardView, keepYardView } from '@/server/caseload/yardViews';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function keepViewAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => keepYardView(context, actor, Object.fromEntries(form)));
  if (answered.ok) revalidatePath('/yard');
  return answered.ok ? null : faultWords(answered.fault);
}

export async function dropViewAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => dropYardView(context, actor, Object.fromEntries(form)));
  if (answered.ok) revalidatePath('/yard');
  return answered.ok ? null : faultWords(answered.fault);
}
