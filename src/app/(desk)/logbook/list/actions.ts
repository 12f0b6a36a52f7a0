'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import { previewReports, takeReports, type ReportsPreview, type TakenReports } from '@/server/logbook/takeReports';
import { faultWords } from '@/ui/desk/frame/Trouble';
import type { ReportsWish } from '@/ui/desk/logbook/entry';

export async function previewReportsAction(wish: ReportsWish): Promise<ReportsPreview | { readonly words: string }> {
  const answered = await act((actor, context) => previewReports(context, actor, wish));
  return answered.ok ? answered.value : { words: faultWords(answered.fault) };
}

export async function takeReportsAction(
  wish: ReportsWish,
): Promise<(TakenReports & { readonly ok: true }) | { readonly ok: false; readonly fault: string }> {
  const answered = await act((actor, context) => takeReports(context, actor, wish));
  if (!answered.ok) return { ok: false, fault: faultWords(answered.fault) };
  revalidatePath('/rounds', 'layout');
  return { ok: true, ...answered.value };
}
