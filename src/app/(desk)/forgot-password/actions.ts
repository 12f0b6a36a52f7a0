'use server';

import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { askForPassword } from '@/server/accounts/passwordReset';
import { faultWords } from '@/ui/desk/frame/Trouble';
import type { Asked } from '@/ui/desk/accounts/ForgottenForm.client';

export async function askAction(_before: Asked, form: FormData): Promise<Asked> {
  const answered = await answer(() => askForPassword(appContext(), { email: form.get('email') }));
  return answered.ok ? { isAsked: true } : { fault: faultWords(answered.fault) };
}
