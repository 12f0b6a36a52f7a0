'use server';

import { revalidatePath } from 'next/cache';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import { invite, revokeInvitation } from '@/server/accounts/invitations';
import { closeAccount } from '@/server/accounts/leave';
import { faultWords } from '@/ui/desk/frame/Trouble';
import type { Invited } from '@/ui/desk/settings/InviteForm.client';

export async function inviteAction(_before: Invited, form: FormData): Promise<Invited> {
  const answered = await act((actor, context) => invite(context, actor, { role: form.get('role') }));
  if (!answered.ok) return { fault: faultWords(answered.fault) };
  revalidatePath('/settings');
  return answered.value;
}

export async function revokeInvitationAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => revokeInvitation(context, actor, Number(form.get('invitationId')))), '/settings');
}

export async function closeAccountAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => closeAccount(context, actor, Number(form.get('personId')))), '/settings');
}
