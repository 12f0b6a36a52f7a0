import { MILLISECONDS_PER_HOUR } from '@/core/calendar';
import { countTryOf, inTransaction } from '@/db';
import type { PersonActor } from '../actor';
import { answer } from '../answer';
import type { Context } from '../context';
import type { AppErrorCode } from '../errors';
import { recordAboutPerson } from './trail';

/** Refusals of one person that are recorded in an hour: more add nothing. */
const MOST_AN_HOUR = 20;

/** Writes down that somebody asked for what is not theirs, or is not there. Never stands in the way of the answer. */
export async function recordRefusal(context: Context, actor: PersonActor, code: AppErrorCode): Promise<void> {
  if (code !== 'notAllowed' && code !== 'notFound') return;
  await answer(() =>
    inTransaction(context.db, async (work) => {
      const now = context.now();
      const { tries } = await countTryOf(work, `refused:${actor.personId}`, now, MILLISECONDS_PER_HOUR);
      if (tries <= MOST_AN_HOUR) await recordAboutPerson(work, now, actor.personId, 'access.refused', { code });
    }),
  );
}
