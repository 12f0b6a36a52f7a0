'use server';

import { revalidatePath } from 'next/cache';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import type { Answer } from '@/server/answer';
import { deleteTemplate, giveTemplate, saveTemplate } from '@/server/planner/weekTemplates';
import { deletePlan, acceptAllPlans, acceptPlan } from '@/server/planner/viewPlans';

function told(answered: Answer<void>): string | null {
  if (answered.ok) revalidatePath('/planner');
  return faultOrNull(answered);
}

export async function acceptPlanAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => acceptPlan(context, actor, Object.fromEntries(form))));
}

export async function acceptAllPlansAction(): Promise<string | null> {
  return told(await act((actor, context) => acceptAllPlans(context, actor)));
}

export async function deletePlanAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => deletePlan(context, actor, Object.fromEntries(form))));
}

export async function saveTemplateAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => saveTemplate(context, actor, Object.fromEntries(form))));
}

export async function deleteTemplateAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => deleteTemplate(context, actor, Object.fromEntries(form))));
}

export async function giveTemplateAction(_before: string | null, form: FormData): Promise<string | null> {
  const given = { id: form.get('id'), childIds: form.getAll('childIds') };
  return told(await act((actor, context) => giveTemplate(context, actor, given)));
}
