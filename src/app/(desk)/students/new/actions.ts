'use server';

import { redirect } from 'next/navigation';
import { act } from '@/app/screen';
import { newChild } from '@/server/students/writeRecord';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function newChildAction(input: { record: Record<string, unknown>; school: string }): Promise<string | null> {
  const answered = await act((actor, context) => newChild(context, actor, input));
  if (!answered.ok) return faultWords(answered.fault);
  redirect(`/students/${answered.value.childId}`);
}
