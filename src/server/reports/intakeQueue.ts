import type { Envelope } from './readSubmission';
import type { Taken, TakenReport } from './takenReport';

const MOST_TOGETHER = 64;
/** Turns of the event loop without another report that end the waiting: far less than a commit takes. */
const QUIET_TURNS = 8;

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

  /** @param accept writes a batch and answers each report in its place */
  constructor(private readonly accept: (batch: readonly Envelope[]) => Promise<readonly Taken[]>) {}

  /** Takes in one report, together with those that come at the same time. @throws as `acceptLinkReports` answers */
  take(envelope: Envelope): Promise<TakenReport> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ envelope, resolve, reject });
      if (!this.isWriting) void this.write();
    });
  }

  /** Waits while more reports arrive: clients answered just now send again at once and join the same batch. */
  private async gathered(): Promise<void> {
    let before = 0;
    for (let quiet = 0; quiet < QUIET_TURNS && this.waiting.length < MOST_TOGETHER; quiet = this.waiting.length > before ? 0 : quiet + 1) {
      before = this.waiting.length;
      await new Promise((resolve) => setImmediate(resolve));
    }
  }

  private async write(): Promise<void> {
    this.isWriting = true;
    while (this.waiting.length > 0) {
      await this.gathered();
      const together = this.waiting.splice(0, MOST_TOGETHER);
      const taken = await this.accept(together.map(({ envelope }) => envelope));
      together.forEach(({ resolve, reject }, index) => {
        const answer = taken[index]!;
        if (answer.ok) resolve(answer.report);
        else reject(answer.error);
      });
    }
    this.isWriting = false;
  }
}
