import type { Context } from '../context';
import type { Envelope } from './readSubmission';
import { takeByLink, type TakenReport } from './takeByLink';

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
export class IntakeQueue {
  private waiting: Waiting[] = [];
  private isWriting = false;

  constructor(private readonly context: () => Context) {}

  /** Takes in one report, together with those that come at the same time. @throws as `takeByLink` answers */
  take(envelope: Envelope): Promise<TakenReport> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ envelope, resolve, reject });
      if (!this.isWriting) void this.write();
    });
  }

  private async write(): Promise<void> {
    this.isWriting = true;
    while (this.waiting.length > 0) {
      const together = this.waiting.splice(0, MOST_TOGETHER);
      const taken = await takeByLink(
        this.context(),
        together.map(({ envelope }) => envelope),
      );
      together.forEach(({ resolve, reject }, index) => {
        const answer = taken[index]!;
        if (answer.ok) resolve(answer.report);
        else reject(answer.error);
      });
    }
    this.isWriting = false;
  }
}
