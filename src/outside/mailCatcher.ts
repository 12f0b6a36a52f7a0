import { createHash } from 'node:crypto';
import { mkdir, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { createTransport } from 'nodemailer';
import type { Receipt, TextService, TextToSend } from '@/server/ports';
import { letterOf } from './mail';

/**
 * Collects email while no mail server is configured: each message is built completely, as a server would get it, and put into a
 * folder as a file that mail programs open (`.eml`). In the demo its reader's pretend phone shows the text; elsewhere no family is
 * reached by it.
 */
export class MailCatcher implements TextService {
  private readonly transport = createTransport({ streamTransport: true, buffer: true, newline: 'windows' });

  constructor(
    private readonly folder: string,
    private readonly from: string,
    private readonly phone: TextService | null,
  ) {}

  async send(message: TextToSend): Promise<Receipt> {
    const made = (await this.transport.sendMail(letterOf(this.from, message))) as { message: Buffer };
    const folder = this.folderOf(message.to);
    await mkdir(folder, { recursive: true, mode: 0o700 });
    const name = createHash('sha256').update(message.idempotencyKey).digest('hex').slice(0, 32);
    await writeFile(path.join(folder, `${name}.eml`), made.message, { mode: 0o600 });
    return this.phone?.send(message) ?? { repeated: false };
  }

  async forget(to: string): Promise<void> {
    await rm(this.folderOf(to), { recursive: true, force: true });
    await this.phone?.forget(to);
  }

  reaches(): boolean {
    return this.phone !== null;
  }

  /** A folder for each who is reached, by our own name for them, so that one can be forgotten wholly. */
  private folderOf(to: string): string {
    if (!/^[a-z0-9-]{1,80}$/.test(to)) throw new RangeError(`The mail catcher has no folder like ${JSON.stringify(to)}`);
    return path.join(this.folder, to);
  }
}
