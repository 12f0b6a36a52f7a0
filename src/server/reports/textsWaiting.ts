import { instantAfterDays } from '@/core/calendar';
import { textsById, textsForAPerson, type IncomingRow, type Work } from '@/db';
import type { Context } from '../context';

/** Texts of these children's families that a person has to read, oldest first: the same ones, however old, that Rounds shows as cards. */
export async function textsWaiting(work: Work, context: Context, childIds: readonly number[]): Promise<IncomingRow[]> {
  const waiting = await textsForAPerson(work, childIds, instantAfterDays(context.now(), -1));
  const texts = await textsById(
    work,
    waiting.map(({ textId }) => textId),
  );
  return [...texts.values()].sort((one, other) => one.id - other.id);
}
