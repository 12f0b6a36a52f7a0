'use server';

import { redirect } from 'next/navigation';
import { act } from '@/app/screen';
import { closeGoal, writeGoal } from '@/server/goals/writeGoal';
import { faultWords } from '@/ui/desk/frame/Trouble';
import type { GoalInput } from '@/ui/desk/goals/GoalForm.client';

export async function writeGoalAction(input: GoalInput): Promise<string | null> {
  const answered = await act((actor, context) => writeGoal(context, actor, input));
  if (!answered.ok) return faultWords(answered.fault);
  redirect(`/students/${input.childId}`);
}

export async function closeGoalAction(_before: string | null, form: FormData): Promise<string | null> {
  const childId = Number(form.get('childId'));
  const input = { childId, goalId: Number(form.get('goalId')), why: form.get('why') ?? '', isOpen: form.get('isOpen') === 'yes' };
  const answered = await act((actor, context) => closeGoal(context, actor, input));
  if (!answered.ok) return faultWords(answered.fault);
  redirect(`/students/${childId}`);
}
