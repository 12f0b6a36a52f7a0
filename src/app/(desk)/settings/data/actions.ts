'use server';

import { revalidatePath } from 'next/cache';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import { makeApiKey, cancelApiKey } from '@/server/exchange/apiKeys';
import { previewPolicy, importPolicy } from '@/server/exchange/policyPack';
import type { MadeKey } from '@/ui/desk/exchange/KeyForm.client';
import type { LookedAtPolicy } from '@/ui/desk/exchange/PolicyPanel.client';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function makeKeyAction(_before: MadeKey, form: FormData): Promise<MadeKey> {
  const answered = await act((actor, context) => makeApiKey(context, actor, Object.fromEntries(form)));
  if (!answered.ok) return { fault: faultWords(answered.fault) };
  revalidatePath('/settings/data');
  return answered.value;
}

export async function revokeApiKeyAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => cancelApiKey(context, actor, Number(form.get('keyId')))), '/settings/data');
}

export async function previewPolicyAction(_before: LookedAtPolicy, form: FormData): Promise<LookedAtPolicy> {
  const text = String(form.get('pack') ?? '');
  const answered = await act((actor, context) => previewPolicy(context, actor, text));
  return answered.ok ? { ...answered.value, text } : { ok: false, fault: faultWords(answered.fault) };
}

export async function importPolicyAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => importPolicy(context, actor, String(form.get('pack') ?? ''))), '/settings');
}
