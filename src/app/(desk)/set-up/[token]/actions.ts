'use server';

import { redirect } from 'next/navigation';
import { keepSession, placeOf } from '@/app/session';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { acceptInvitation } from '@/server/accounts/invitations';
import { signIn } from '@/server/accounts/signIn';
import { faultWords } from '@/ui/desk/frame/Trouble';
import type { SetUpFault } from '@/ui/desk/accounts/SetUpForm.client';

export async function acceptAction(_before: SetUpFault | null, form: FormData): Promise<SetUpFault | null> {
  const context = appContext();
  const place = await placeOf();
  const answered = await answer(async () => {
    const account = await acceptInvitation(context, {
      ...Object.fromEntries(form),
      ...(form.has('languages') && { languages: form.getAll('languages') }),
    });
    return signIn(context, { ...account, ...place });
  });
  if (!answered.ok) {
    const { detail } = answered.fault;
    const fields = detail && 'issues' in detail ? detail.issues.map(({ path }) => path) : [];
    const typed = ['name', 'email', 'timeZone', 'emergencyNumber'].map((name) => [name, String(form.get(name) ?? '')] as const);
    return { words: faultWords(answered.fault), fields, typed: Object.fromEntries(typed), languages: form.getAll('languages').map(String) };
  }
  await keepSession(answered.value);
  redirect(answered.value.needsFactor ? '/two-step' : '/caseload');
}
