'use server';

import { revalidatePath } from 'next/cache';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import { setAdvancingRule } from '@/server/stepRules/advancingRule';

export async function advancingRuleAction(_before: string | null, form: FormData): Promise<string | null> {
  const answered = await act((actor, context) =>
    setAdvancingRule(context, actor, { rule: form.get('rule'), reason: form.get('reason') ?? '' }),
  );
  if (answered.ok) for (const page of ['/settings', '/step-rules']) revalidatePath(page);
  return faultOrNull(answered);
}
