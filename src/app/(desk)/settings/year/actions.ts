'use server';

import { redirect } from 'next/navigation';
import { act } from '@/app/screen';
import { previewCalendar, setSchoolYear, type CalendarPreview } from '@/server/settings/schoolYear';
import { faultWords } from '@/ui/desk/frame/Trouble';
import type { YearInput } from '@/ui/desk/settings/YearScreen.client';

export async function setYearAction(input: YearInput): Promise<string | null> {
  const answered = await act((actor, context) => setSchoolYear(context, actor, input));
  if (!answered.ok) return faultWords(answered.fault);
  redirect('/settings');
}

export async function previewCalendarAction(text: string): Promise<CalendarPreview | null> {
  const answered = await act(async (actor) => previewCalendar(actor, text));
  return answered.ok ? answered.value : null;
}
