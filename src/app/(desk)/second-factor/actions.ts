'use server';

import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { halfAct } from '@/app/halfScreen';
import { sessionCookie } from '@/app/session';
import { giveFactor, takeFactorOn } from '@/server/people/secondFactor';
import { revokeSignIn } from '@/server/people/sessions';
import { faultWords } from '@/ui/desk/frame/Trouble';
import type { TakenOn } from '@/ui/desk/trust/SecondFactorForms.client';

export async function giveCodeAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await halfAct((actor, context) => giveFactor(context, actor, form.get('code')));
  if (!answered.ok) return faultWords(answered.fault);
  redirect('/rounds');
}

export async function takeOnAction(_before: TakenOn, form: FormData): Promise<TakenOn> {
  const answered = await halfAct((actor, context) => takeFactorOn(context, actor, form.get('code')));
  return answered.ok ? { codes: answered.value } : { fault: faultWords(answered.fault) };
}

export async function leaveAction(): Promise<string | null> {
  const answered = await halfAct((actor, context) => revokeSignIn(context, actor, actor.signInId));
  if (!answered.ok) return faultWords(answered.fault);
  (await cookies()).delete(sessionCookie());
  redirect('/sign-in');
}
