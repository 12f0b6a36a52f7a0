'use server';

import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import { disableSecondFactor, disableSecondFactorOf } from '@/server/accounts/secondFactor';
import { setSignInRules } from '@/server/settings/workplace';

export async function signInRulesAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => setSignInRules(context, actor, Object.fromEntries(form))), '/settings');
}

export async function disableSecondFactorAction(): Promise<string | null> {
  return faultOrNull(await act((actor, context) => disableSecondFactor(context, actor)), '/settings');
}

export async function disableSecondFactorOfAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => disableSecondFactorOf(context, actor, Number(form.get('personId')))), '/settings');
}
