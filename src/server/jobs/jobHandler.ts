import type { Work } from '@/db';
import type { Context } from '../context';

/** How a kind of job is done: made ready in a short transaction, acted with none open, settled in another. */
export interface JobHandler<Payload, Ready> {
  /** Null where there is nothing left to do. */
  prepare(context: Context, payload: Payload): Promise<Ready | null>;
  /** May take its time, and fail. The same act may be done once more after a crash, so it goes out under one key. */
  act(context: Context, ready: Ready): Promise<void>;
  /** Writes the result of the act, in the transaction that ends the job. */
  settle(work: Work, context: Context, payload: Payload): Promise<void>;
  /** Writes what giving up means, in the transaction that ends the job. */
  giveUp(work: Work, context: Context, payload: Payload): Promise<void>;
}
