'use server';

import { act } from '@/app/screen';
import { comeBack, leaveCaseload, shareChild } from '@/server/students/moveChild';
import { restProgram } from '@/server/programs/rest';
import { childOf, redrawn } from './redrawn';

export async function shareAction(_before: string | null, form: FormData): Promise<string | null> {
  const input = { childId: childOf(form), personId: Number(form.get('personId')), access: form.get('access') };
  return redrawn(form, await act((actor, context) => shareChild(context, actor, input)));
}

export async function restAction(_before: string | null, form: FormData): Promise<string | null> {
  const input = {
    childId: childOf(form),
    expectedVersion: Number(form.get('expectedVersion')),
    action: form.get('action'),
    until: form.get('until') ?? '',
    why: form.get('why') ?? '',
  };
  return redrawn(form, await act((actor, context) => restProgram(context, actor, input)));
}

export async function leaveAction(_before: string | null, form: FormData): Promise<string | null> {
  return redrawn(form, await act((actor, context) => leaveCaseload(context, actor, { childId: childOf(form), why: form.get('why') })));
}

export async function comeBackAction(_before: string | null, form: FormData): Promise<string | null> {
  return redrawn(form, await act((actor, context) => comeBack(context, actor, childOf(form))));
}
