'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import { previewFhir, importFhir, type FhirPreview } from '@/server/exchange/importFhir';
import type { TakenFhir } from '@/ui/desk/exchange/FhirPanel.client';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function previewFhirAction(childId: number, text: string): Promise<FhirPreview | { readonly words: string }> {
  const answered = await act((actor, context) => previewFhir(context, actor, Number(childId), String(text)));
  return answered.ok ? answered.value : { words: faultWords(answered.fault) };
}

export async function importFhirAction(options: unknown): Promise<TakenFhir> {
  const answered = await act((actor, context) => importFhir(context, actor, options));
  if (answered.ok) revalidatePath('/students', 'layout');
  return answered.ok ? { ok: true, ...answered.value } : { ok: false, words: faultWords(answered.fault) };
}
