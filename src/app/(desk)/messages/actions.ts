'use server';

import { revalidatePath } from 'next/cache';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import { sendDirect } from '@/server/messages/sendDirect';
import { tryMessageAgain } from '@/server/messages/tryAgain';
import { setNetwork, textFromPhone } from '@/server/reports/replies/fromPhone';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function tryAgainAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(
    await act((actor, context) => tryMessageAgain(context, actor, Number(form.get('childId')), Number(form.get('messageId')))),
    '/messages',
  );
}

export async function sendOwnAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => sendDirect(context, actor, Object.fromEntries(form)));
  if (answered.ok) revalidatePath('/messages');
  if (answered.ok) return null;
  return answered.fault.code === 'invalid'
    ? 'Write a few words, 480 letters at most, without the child’s name: anybody who holds the phone can read a text. Where the family agreed to the name, say so under “Reminders and teacher”.'
    : faultWords(answered.fault);
}

export async function writeAsFamilyAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => textFromPhone(context, actor, Object.fromEntries(form)));
  if (answered.ok) revalidatePath('/messages');
  if (answered.ok) return null;
  return answered.fault.code === 'invalid' ? 'Write a few words, 600 letters at most.' : faultWords(answered.fault);
}

export async function setNetworkAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => setNetwork(context, actor, Object.fromEntries(form)));
  if (answered.ok) revalidatePath('/messages');
  if (answered.ok) return null;
  return answered.fault.code === 'invalid' ? 'Write whole numbers: up to 50 texts, up to 3600 seconds.' : faultWords(answered.fault);
}
