'use server';

import { redirect } from 'next/navigation';
import { act } from '@/app/screen';
import { correctByStaff } from '@/server/reports/correctByStaff';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function correctReportAction(_before: string | null, form: FormData): Promise<string | null> {
  const input = Object.fromEntries(form);
  const answered = await act((actor, context) => correctByStaff(context, actor, input));
  if (!answered.ok) return faultWords(answered.fault);
  redirect(`/students/${Number(form.get('childId'))}`);
}
