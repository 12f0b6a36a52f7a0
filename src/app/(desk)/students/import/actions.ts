'use server';

import { redirect } from 'next/navigation';
import { act } from '@/app/screen';
import { handOver } from '@/server/students/moveChild';
import { previewRoster, importRoster } from '@/server/students/importRoster';
import { faultWords } from '@/ui/desk/frame/Trouble';
import type { RosterOptions, Taken } from '@/ui/desk/students/roster/RosterScreen.client';
import type { RosterPreview } from '@/server/students/importRoster';

export async function previewRosterAction(options: RosterOptions): Promise<RosterPreview | { readonly words: string }> {
  const answered = await act((actor, context) => previewRoster(context, actor, options));
  return answered.ok ? answered.value : { words: faultWords(answered.fault) };
}

export async function importRosterAction(options: RosterOptions): Promise<Taken> {
  const answered = await act((actor, context) => importRoster(context, actor, options));
  return answered.ok ? { ok: true, ...answered.value } : { ok: false, fault: faultWords(answered.fault) };
}

export async function transferAction(_before: string | null, form: FormData): Promise<string | null> {
  const input = {
    childIds: form.getAll('childId').map(Number),
    to: Number(form.get('to')),
    note: form.get('note') ?? '',
    staysSharing: form.get('staysSharing') === 'yes',
  };
  const answered = await act((actor, context) => handOver(context, actor, input));
  if (!answered.ok) return faultWords(answered.fault);
  redirect(form.get('from') === 'caseloads' ? '/caseload/all' : '/caseload');
}
