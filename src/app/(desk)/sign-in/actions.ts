'use server';

import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { keepSession } from '@/app/session';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { signIn } from '@/server/people/signIn';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function signInAction(_before: string | null, form: FormData): Promise<string | null> {
  const device = (await headers()).get('user-agent') ?? '';
  const answered = await answer(() => signIn(appContext(), { email: form.get('email'), password: form.get('password'), device }));
  if (!answered.ok) return faultWords(answered.fault);
  await keepSession(answered.value);
  redirect('/rounds');
}
