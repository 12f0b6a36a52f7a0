'use server';

import { redirect } from 'next/navigation';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import type { TaskSettings } from '@/core/tasks';
import { changeHome } from '@/server/students/changeHome';
import { deleteChild } from '@/server/students/deleteChild';
import { revokeLink, sendLinkAgain, sendNewLink } from '@/server/messages/links';
import { faultWords } from '@/ui/desk/frame/Trouble';
import { childOf, redrawn } from './redrawn';

export async function revokeLinkAction(_before: string | null, form: FormData): Promise<string | null> {
  return redrawn(form, await act((actor, context) => revokeLink(context, actor, childOf(form), Number(form.get('linkId')))));
}

export async function sendLinkAction(_before: string | null, form: FormData): Promise<string | null> {
  return redrawn(form, await act((actor, context) => sendLinkAgain(context, actor, childOf(form))));
}

export async function newLinkAction(_before: string | null, form: FormData): Promise<string | null> {
  return redrawn(form, await act((actor, context) => sendNewLink(context, actor, childOf(form))));
}

export async function deleteChildAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) => deleteChild(context, actor, childOf(form), String(form.get('name') ?? '')));
  if (!answered.ok)
    return answered.fault.code === 'invalid'
      ? 'The name is not the same. Write it exactly as it stands in the title.'
      : faultWords(answered.fault);
  redirect('/caseload');
}

export async function changeHomeAction(input: {
  childId: number;
  taskSettings: TaskSettings;
  materialsAtHome: readonly string[];
}): Promise<string | null> {
  return faultOrNull(await act((actor, context) => changeHome(context, actor, input)));
}
