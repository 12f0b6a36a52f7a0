'use server';

import { revalidatePath } from 'next/cache';
import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import { sessionCookie } from '@/app/session';
import { changePassword } from '@/server/accounts/password';
import { setReadDays } from '@/server/accounts/readDays';
import { revokeSignIn } from '@/server/accounts/sessions';
import { setEmergencyNumber, setInjuryEmail, setKeeping, setLanguages, setHoldMinutes } from '@/server/settings/workplace';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function revokeSignInAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => revokeSignIn(context, actor, Number(form.get('signInId')))), '/settings');
}

export async function signOutAction(): Promise<string | null> {
  const answered = await act((actor, context) => revokeSignIn(context, actor, actor.signInId));
  if (!answered.ok) return faultWords(answered.fault);
  (await cookies()).delete(sessionCookie());
  redirect('/sign-in');
}

export async function emergencyNumberAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => setEmergencyNumber(context, actor, form.get('emergencyNumber')));
  if (answered.ok) revalidatePath('/settings');
  if (answered.ok) return null;
  return answered.fault.code === 'invalid' ? 'That is not a telephone number. Enter digits, such as 911.' : faultWords(answered.fault);
}

export async function injuryEmailAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => setInjuryEmail(context, actor, form.get('injuryEmail') === 'on')), '/settings');
}

export async function keepingAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => setKeeping(context, actor, Object.fromEntries(form))), '/settings');
}

export async function postMinutesAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => setHoldMinutes(context, actor, form.get('postMinutes')));
  if (answered.ok) revalidatePath('/settings');
  if (answered.ok) return null;
  return answered.fault.code === 'invalid' ? 'Write a number of minutes from 0 to 60.' : faultWords(answered.fault);
}

export async function changePasswordAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => changePassword(context, actor, Object.fromEntries(form)));
  if (!answered.ok) return faultWords(answered.fault);
  redirect('/settings?said=password');
}

export async function languagesAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => setLanguages(context, actor, form.getAll('language'))), '/settings');
}

export async function readDaysAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => setReadDays(context, actor, form.getAll('day'))), '/settings');
}
