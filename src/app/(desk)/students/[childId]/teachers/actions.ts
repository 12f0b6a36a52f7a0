'use server';

import { revalidatePath } from 'next/cache';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import type { Answer } from '@/server/answer';
import { setReminders } from '@/server/messages/reminders';
import { remindersForm } from '@/server/messages/remindersForm';
import { makeTeacherLink, revokeTeacherLinks } from '@/server/students/teacherLinks';

const childOf = (form: FormData) => Number(form.get('childId'));

function told(childId: number, answered: Answer<void>): string | null {
  if (answered.ok) revalidatePath(`/students/${childId}/teachers`);
  return faultOrNull(answered);
}

export async function setRemindersAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(childOf(form), await act((actor, context) => setReminders(context, actor, childOf(form), remindersForm(form))));
}

export async function makeTeacherLinkAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(childOf(form), await act((actor, context) => makeTeacherLink(context, actor, childOf(form))));
}

export async function revokeTeacherLinksAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(childOf(form), await act((actor, context) => revokeTeacherLinks(context, actor, childOf(form))));
}
