'use server';

import { redirect } from 'next/navigation';
import { keepSession, placeOf } from '@/app/session';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { signIn } from '@/server/accounts/signIn';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function signInAction(_before: string | null, form: FormData): Promise<string | null> {
  const place = await placeOf();
  const answered = await answer(() => signIn(appContext(), { email: form.get('email'), password: form.get('password'), ...place }));
  if (!answered.ok) return faultWords(answered.fault);
  await keepSession(answered.value);
  redirect(answered.value.needsFactor ? '/two-step' : '/review');
}
