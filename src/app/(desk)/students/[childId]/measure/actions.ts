'use server';

import { revalidatePath } from 'next/cache';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import type { Answer } from '@/server/answer';
import { measure, takeBack } from '@/server/measurements/measure';
import { measureForm } from '@/ui/desk/measurements/measureForm';

const childOf = (form: FormData) => Number(form.get('childId'));

function told(childId: number, answered: Answer<void>): string | null {
  if (answered.ok) revalidatePath(`/students/${childId}/measure`);
  return faultOrNull(answered);
}

export async function measureAction(_before: string | null, form: FormData): Promise<string | null> {
  const given = { childId: childOf(form), entryKey: form.get('entryKey'), measurement: measureForm(form) };
  return told(childOf(form), await act((actor, context) => measure(context, actor, given)));
}

export async function withdrawMeasurementAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(childOf(form), await act((actor, context) => takeBack(context, actor, childOf(form), Number(form.get('id')))));
}
