import type { Work } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { endNow, pauseUntil } from '../programs/rest';
import type { Settling } from './settling';

const optionsOf = ({ input: { expectedVersion }, child, program, today, decisionId }: Settling) => ({
  child,
  program,
  today,
  expectedVersion,
  decisionId,
});

/** Lets the practice rest till the day that was asked for. */
export async function pause(work: Work, context: Context, actor: PersonActor, settling: Settling): Promise<void> {
  await pauseUntil(work, context, actor, optionsOf(settling), settling.input.fromDay);
}

/** Ends the practice with today. */
export async function end(work: Work, context: Context, actor: PersonActor, settling: Settling): Promise<void> {
  await endNow(work, context, actor, optionsOf(settling));
}
