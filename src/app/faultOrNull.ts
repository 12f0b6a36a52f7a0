import { revalidatePath } from 'next/cache';
import type { Answer } from '@/server/answer';
import { faultWords } from '@/ui/desk/frame/Trouble';

/** What an act's form is told: null where it was done, and then the screens that show it are drawn again. */
export function faultOrNull(answered: Answer<unknown>, ...redraw: readonly string[]): string | null {
  if (!answered.ok) return faultWords(answered.fault);
  for (const address of redraw) revalidatePath(address);
  return null;
}
