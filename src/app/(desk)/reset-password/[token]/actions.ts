'use server';

import { redirect } from 'next/navigation';
import { keepSession, placeOf } from '@/app/session';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { choosePassword } from '@/server/accounts/passwordReset';
import { signIn } from '@/server/accounts/signIn';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function chooseAction(_before: string | null, form: FormData): Promise<string | null> {
  const context = appContext();
  const place = await placeOf();
  const answered = await answer(async () => {
    const account = await choosePassword(context, { token: form.get('token'), password: form.get('password') });
    return signIn(context, { ...account, ...place });
  });
  if (!answered.ok) return faultWords(answered.fault);
  await keepSession(answered.value);
  redirect(answered.value.needsFactor ? '/two-step' : '/caseload');
}
