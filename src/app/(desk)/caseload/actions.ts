'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import { deleteCaseloadView, saveCaseloadView } from '@/server/caseload/savedViews';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function saveViewAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => saveCaseloadView(context, actor, Object.fromEntries(form)));
  if (answered.ok) revalidatePath('/caseload');
  return answered.ok ? null : faultWords(answered.fault);
}

export async function deleteViewAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => deleteCaseloadView(context, actor, Object.fromEntries(form)));
  if (answered.ok) revalidatePath('/caseload');
  return answered.ok ? null : faultWords(answered.fault);
}
