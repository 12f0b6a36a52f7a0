import type { Context } from '../context';
import { AppError } from '../errors';
import type { Envelope } from './readSubmission';
import { takeReports, type TakenReport } from './takeReports';

const MOST_TOGETHER = 64;

interface Waiting {
  readonly envelope: Envelope;
  readonly resolve: (taken: TakenReport) => void;
  readonly reject: (error: unknown) => void;
}

/**
 * Reports that come while others are being written wait for them and are then written together: one durable commit for
 * many, without any waiting when it is quiet. It also makes a double tap a repeat, not a race.
 */
class IntakeQueue {
  private waiting: Waiting[] = [];
  private writing = false;

  constructor(private readonly context: Context) {}

  take(envelope: Envelope): Promise<TakenReport> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ envelope, resolve, reject });
      if (!this.writing) void this.write();
    });
  }

  private async write(): Promise<void> {
    this.writing = true;
    while (this.waiting.length > 0) {
      const together = this.waiting.splice(0, MOST_TOGETHER);
      try {
        const taken = await takeReports(
          this.context,
          together.map(({ envelope }) => envelope),
        );
        together.forEach(({ resolve, reject }, index) => {
          const answer = taken[index]!;
          if (answer instanceof AppError) reject(answer);
          else resolve(answer);
        });
      } catch (error) {
        for (const { reject } of together) reject(error);
      }
    }
    this.writing = false;
  }
}

const queues = new WeakMap<Context, IntakeQueue>();

/** Takes in one report, together with those that come at the same time. @throws as `takeReports` answers */
export function takeInTurn(context: Context, envelope: Envelope): Promise<TakenReport> {
  const queue = queues.get(context) ?? new IntakeQueue(context);
  queues.set(context, queue);
  return queue.take(envelope);
}
