'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { act } from '@/app/screen';
import { decide } from '@/server/review/decide';
import { undoDecision } from '@/server/review/undoDecision';
import { faultWords } from '@/ui/desk/frame/Trouble';
import type { Decide, ReviewFault } from '@/ui/desk/review/reviewAct';

type Decided = Awaited<ReturnType<Decide>>;

/** Leaves going on to the screen, which has fetched the next card ahead. */
export async function decideAction(form: FormData): Promise<Decided> {
  const answered = await act((actor, context) => decide(context, actor, Object.fromEntries(form)));
  if (answered.ok) return { ok: true, decisionId: answered.value.decisionId };
  const { fault } = answered;
  const takesReason = fault.code === 'unsafeStep' && fault.detail !== null && 'takesReason' in fault.detail && fault.detail.takesReason;
  return {
    ok: false,
    fault: { words: faultWords(fault), stale: fault.code.startsWith('stale'), reasonFor: takesReason ? String(form.get('answer')) : null },
  };
}

export async function undoAction(_before: ReviewFault | null, form: FormData): Promise<ReviewFault | null> {
  const answered = await act((actor, context) => undoDecision(context, actor, Number(form.get('decisionId'))));
  if (!answered.ok) return { words: faultWords(answered.fault), stale: answered.fault.code.startsWith('stale'), reasonFor: null };
  revalidatePath('/review');
  redirect(`/review?at=${encodeURIComponent(answered.value.key)}`);
}
