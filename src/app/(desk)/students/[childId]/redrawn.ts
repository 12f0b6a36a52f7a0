import { faultOrNull } from '@/app/faultOrNull';
import type { Answer } from '@/server/answer';

export const childOf = (form: FormData) => Number(form.get('childId'));

/** The child's screen as it stands now, or what was wrong. */
export function redrawn(form: FormData, answered: Answer<void>): string | null {
  return faultOrNull(answered, `/students/${childOf(form)}`);
}
