'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import { tryMessageAgain } from '@/server/messages/tryAgain';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function tryAgainAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) =>
    tryMessageAgain(context, actor, Number(form.get('childId')), Number(form.get('messageId'))),
  );
  if (answered.ok) revalidatePath('/post');
  return answered.ok ? null : faultWords(answered.fault);
}
