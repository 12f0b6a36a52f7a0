import { revalidatePath } from 'next/cache';
import type { Answer } from '@/server/answer';
import { faultWords } from '@/ui/desk/frame/Trouble';

export const childOf = (form: FormData) => Number(form.get('childId'));

/** The child's screen as it stands now, or what was wrong. */
export function redrawn(form: FormData, answered: Answer<void>): string | null {
  if (!answered.ok) return faultWords(answered.fault);
  revalidatePath(`/students/${childOf(form)}`);
  return null;
}
