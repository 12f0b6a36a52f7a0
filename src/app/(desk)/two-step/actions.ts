'use server';

import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { halfAct } from '@/app/halfScreen';
import { sessionCookie } from '@/app/session';
import { giveFactor, enableSecondFactor } from '@/server/accounts/secondFactor';
import { revokeSignIn } from '@/server/accounts/sessions';
import { faultWords } from '@/ui/desk/frame/Trouble';
import type { TakenOn } from '@/ui/desk/accounts/SecondFactorForms.client';

export async function giveCodeAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await halfAct((actor, context) => giveFactor(context, actor, form.get('code')));
  if (!answered.ok) return faultWords(answered.fault);
  redirect('/review');
}

export async function takeOnAction(_before: TakenOn, form: FormData): Promise<TakenOn> {
  const answered = await halfAct((actor, context) => enableSecondFactor(context, actor, form.get('code')));
  return answered.ok ? { codes: answered.value } : { fault: faultWords(answered.fault) };
}

export async function leaveAction(): Promise<string | null> {
  const answered = await halfAct((actor, context) => revokeSignIn(context, actor, actor.signInId));
  if (!answered.ok) return faultWords(answered.fault);
  (await cookies()).delete(sessionCookie());
  redirect('/sign-in');
}
