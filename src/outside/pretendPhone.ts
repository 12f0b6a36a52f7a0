import { appendFile, mkdir, readFile, rm } from 'node:fs/promises';
import path from 'node:path';
import type { Instant } from '@/core/calendar';

export interface PhoneText {
  readonly messageId: number;
  readonly at: Instant;
  readonly text: string;
}

const ORIGIN = '{origin}';

/**
 * A stand-in for the text-message service and the family's phone behind it. It keeps what a phone would keep, outside the
 * database, so that the database never holds a private link.
 */
export class PretendPhone {
  /** @param origin where the program is served now: addresses are kept without it, so that they open after a move to another port. */
  constructor(
    private readonly folder: string,
    private readonly origin: string,
  ) {}

  async deliver(childId: number, text: PhoneText): Promise<void> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 });
    await appendFile(this.fileOf(childId), `${JSON.stringify({ ...text, text: text.text.replaceAll(this.origin, ORIGIN) })}\n`, {
      mode: 0o600,
    });
  }

  /** Oldest first. A line that a crash cut short is passed over. */
  async read(childId: number): Promise<PhoneText[]> {
    const file = await readFile(this.fileOf(childId), 'utf8').catch((error: NodeJS.ErrnoException) => {
      if (error.code === 'ENOENT') return '';
      throw error;
    });
    return file.split('\n').flatMap((line) => {
      try {
        if (!line) return [];
        const text = JSON.parse(line) as PhoneText;
        return [{ ...text, text: text.text.replaceAll(ORIGIN, this.origin) }];
      } catch {
        return [];
      }
    });
  }

  async forget(childId: number): Promise<void> {
    await rm(this.fileOf(childId), { force: true });
  }

  private fileOf(childId: number): string {
    return path.join(this.folder, `${Math.trunc(childId)}.jsonl`);
  }
}
