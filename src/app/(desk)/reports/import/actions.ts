'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import { previewReports, importReports, type ReportsPreview, type TakenReports } from '@/server/reports/importReports';
import { faultWords } from '@/ui/desk/frame/Trouble';
import type { ReportsOptions } from '@/ui/desk/reports/entry';

export async function previewReportsAction(options: ReportsOptions): Promise<ReportsPreview | { readonly words: string }> {
  const answered = await act((actor, context) => previewReports(context, actor, options));
  return answered.ok ? answered.value : { words: faultWords(answered.fault) };
}

export async function importReportsAction(
  options: ReportsOptions,
): Promise<(TakenReports & { readonly ok: true }) | { readonly ok: false; readonly fault: string }> {
  const answered = await act((actor, context) => importReports(context, actor, options));
  if (!answered.ok) return { ok: false, fault: faultWords(answered.fault) };
  revalidatePath('/review', 'layout');
  return { ok: true, ...answered.value };
}
