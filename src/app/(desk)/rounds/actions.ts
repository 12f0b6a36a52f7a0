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

export async function decideAction(_before: RoundsFault | null, form: FormData): Promise<RoundsFault | null> {
  const answered = await act((actor, context) => decide(context, actor, Object.fromEntries(form)));
  if (!answered.ok) return { words: faultWords(answered.fault), stale: answered.fault.code.startsWith('stale') };
  // Cards that were fetched ahead tell of the queue as it was.
  revalidatePath('/rounds');
  const next = form.get('next');
  redirect(typeof next === 'string' && next ? `/rounds?at=${encodeURIComponent(next)}` : '/rounds');
}

export async function undoAction(_before: RoundsFault | null, form: FormData): Promise<RoundsFault | null> {
  const answered = await act((actor, context) => undoDecision(context, actor, Number(form.get('decisionId'))));
  if (!answered.ok) return { words: faultWords(answered.fault), stale: answered.fault.code.startsWith('stale') };
  revalidatePath('/rounds');
  redirect(`/rounds?at=${encodeURIComponent(answered.value.key)}`);
}
