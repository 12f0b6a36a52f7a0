'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import { disableSecondFactor, disableSecondFactorOf } from '@/server/accounts/secondFactor';
import { setSignInRules } from '@/server/settings/workplace';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function signInRulesAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => setSignInRules(context, actor, Object.fromEntries(form)));
  if (answered.ok) revalidatePath('/settings');
  return answered.ok ? null : faultWords(answered.fault);
}

export async function disableSecondFactorAction(): Promise<string | null> {
  const answered = await act((actor, context) => disableSecondFactor(context, actor));
  if (answered.ok) revalidatePath('/settings');
  return answered.ok ? null : faultWords(answered.fault);
}

export async function disableSecondFactorOfAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => disableSecondFactorOf(context, actor, Number(form.get('personId'))));
  if (answered.ok) revalidatePath('/settings');
  return answered.ok ? null : faultWords(answered.fault);
}
