'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { act } from '@/app/screen';
import { askForHome, settleHome } from '@/server/students/homeInventory';
import { changeRecord } from '@/server/students/writeRecord';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function changeRecordAction(
  childId: number,
  seenChange: number,
  input: { record: Record<string, unknown>; school: string },
): Promise<string | null> {
  const answered = await act((actor, context) => changeRecord(context, actor, { ...input, childId, seenChange }));
  if (!answered.ok) return faultWords(answered.fault);
  // The child's screen says at once what the facts of now mean for the running program.
  redirect(`/students/${childId}`);
}

export async function askHomeAction(_before: string | null, form: FormData): Promise<string | null> {
  const childId = Number(form.get('childId'));
  const answered = await act((actor, context) => askForHome(context, actor, childId));
  if (!answered.ok) return faultWords(answered.fault);
  redirect(`/messages?phone=${childId}`);
}

export async function settleHomeAction(_before: string | null, form: FormData): Promise<string | null> {
  const childId = Number(form.get('childId'));
  const input = { childId, answerId: Number(form.get('answerId')), takes: form.get('takes') === 'yes' };
  const answered = await act((actor, context) => settleHome(context, actor, input));
  if (!answered.ok) return faultWords(answered.fault);
  revalidatePath(`/students/${childId}/record`);
  return null;
}
