'use server';

import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { SESSION_COOKIE } from '@/app/screen';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { signIn } from '@/server/people/signIn';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function signInAction(_before: string | null, form: FormData): Promise<string | null> {
  const context = appContext();
  const device = (await headers()).get('user-agent') ?? '';
  const answered = await answer(() => signIn(context, { email: form.get('email'), password: form.get('password'), device }));
  if (!answered.ok) return faultWords(answered.fault);
  (await cookies()).set(SESSION_COOKIE, answered.value.token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: context.origin.startsWith('https:'),
    path: '/',
    // Seconds from now by the browser's own clock, which may be wrong.
    maxAge: answered.value.lastsSeconds,
  });
  redirect('/rounds');
}
