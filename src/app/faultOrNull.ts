import { revalidatePath } from 'next/cache';
import type { Answer } from '@/server/answer';
import { faultWords } from '@/ui/desk/frame/Trouble';

/** Returns the fault's words for the form, or null on success, and then redraws the screens that show it. */
export function faultOrNull(answered: Answer<unknown>, ...redraw: readonly string[]): string | null {
  if (!answered.ok) return faultWords(answered.fault);
  for (const address of redraw) revalidatePath(address);
  return null;
}
