'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import type { Answer } from '@/server/answer';
import { dropTemplate, giveTemplate, keepTemplate } from '@/server/plans/weekTemplates';
import { dropPlan, takeAllPlans, takePlan } from '@/server/plans/viewPlans';
import { faultWords } from '@/ui/desk/frame/Trouble';

function told(answered: Answer<void>): string | null {
  if (answered.ok) revalidatePath('/plan');
  return answered.ok ? null : faultWords(answered.fault);
}

export async function takePlanAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => takePlan(context, actor, Object.fromEntries(form))));
}

export async function takeAllPlansAction(): Promise<string | null> {
  return told(await act((actor, context) => takeAllPlans(context, actor)));
}

export async function dropPlanAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => dropPlan(context, actor, Object.fromEntries(form))));
}

export async function keepTemplateAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => keepTemplate(context, actor, Object.fromEntries(form))));
}

export async function dropTemplateAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => dropTemplate(context, actor, Object.fromEntries(form))));
}

export async function giveTemplateAction(_before: string | null, form: FormData): Promise<string | null> {
  const given = { id: form.get('id'), childIds: form.getAll('childIds') };
  return told(await act((actor, context) => giveTemplate(context, actor, given)));
}
