'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { act } from '@/app/screen';
import { decide } from '@/server/rounds/decide';
import { undoDecision } from '@/server/rounds/undoDecision';
import { faultWords } from '@/ui/desk/frame/Trouble';

export interface RoundsFault {
  readonly words: string;
  /** True where the page shows something that is no longer so. */
  readonly stale: boolean;
}

export type Decided = { readonly ok: true; readonly decisionId: number } | { readonly ok: false; readonly fault: RoundsFault };

/** Leaves going on to the screen, which has fetched the next card ahead. */
export async function decideAction(form: FormData): Promise<Decided> {
  const answered = await act((actor, context) => decide(context, actor, Object.fromEntries(form)));
  if (answered.ok) return { ok: true, decisionId: answered.value.decisionId };
  return { ok: false, fault: { words: faultWords(answered.fault), stale: answered.fault.code.startsWith('stale') } };
}

export async function undoAction(_before: RoundsFault | null, form: FormData): Promise<RoundsFault | null> {
  const answered = await act((actor, context) => undoDecision(context, actor, Number(form.get('decisionId'))));
  if (!answered.ok) return { words: faultWords(answered.fault), stale: answered.fault.code.startsWith('stale') };
  revalidatePath('/rounds');
  redirect(`/rounds?at=${encodeURIComponent(answered.value.key)}`);
}
