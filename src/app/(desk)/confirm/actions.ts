'use server';

import { redirect } from 'next/navigation';
import { act } from '@/app/screen';
import { ownPath } from '@/app/ownPath';
import { confirm } from '@/server/accounts/sessions';
import { faultWords } from '@/ui/desk/frame/Trouble';
import { words } from '@/ui/shared/deskWords';

export async function confirmAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => confirm(context, actor, form.get('password')));
  if (!answered.ok) return answered.fault.code === 'signInFailed' ? words('issues.passwordWrong') : faultWords(answered.fault);
  redirect(ownPath(form.get('next')));
}
