import { createHash } from 'node:crypto';
import { link, mkdir, readdir, readFile, rm, unlink, writeFile, rename } from 'node:fs/promises';
import path from 'node:path';
import type { Instant } from '@/core/calendar';
import type { Clock, Network, PhoneOnShow, PhoneText, Receipt, TextService, TextToSend } from '@/server/ports';

const ORIGIN = '{origin}';
const GOOD_NETWORK: Network = { fails: 0, delaySeconds: 0, twice: false, disorder: false };
const ADDRESS = /^[a-z0-9-]{1,80}$/;

/**
 * A stand-in for the text-message service and the families' phones behind it. It keeps what a phone would keep, outside the
 * database, so that the database never holds a private link. A text is a file named for its key, put there whole and once:
 * two senders, or a sender that was killed and comes again, make one text.
 */
export class PretendPhone implements TextService, PhoneOnShow {
  /** @param origin where the program is served now: addresses are kept without it, so that they open after a move to another port. */
  constructor(
    private readonly folder: string,
    private readonly origin: string,
    private readonly now: Clock,
  ) {}

  async send({ to, text, idempotencyKey }: TextToSend): Promise<Receipt> {
    await this.failWhereAsked();
    const phone = this.folderOf(to);
    await mkdir(phone, { recursive: true, mode: 0o700 });
    const kept = { key: idempotencyKey, at: this.now(), text: text.replaceAll(this.origin, ORIGIN) };
    const place = path.join(phone, `${createHash('sha256').update(idempotencyKey).digest('hex').slice(0, 32)}.json`);
    const draft = `${place}.${process.pid}.${Math.trunc(performance.now() * 1000)}`;
    await writeFile(draft, JSON.stringify(kept), { mode: 0o600 });
    try {
      // A hard link is there at once and whole, or is there already.
      await link(draft, place);
      return { repeated: false };
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'EEXIST') return { repeated: true };
      throw error;
    } finally {
      await unlink(draft);
    }
  }

  async read(to: string): Promise<PhoneText[]> {
    const phone = this.folderOf(to);
    const names = await readdir(phone).catch((error: NodeJS.ErrnoException) => {
      if (error.code === 'ENOENT') return [];
      throw error;
    });
    const texts = await Promise.all(
      names
        .filter((name) => name.endsWith('.json'))
        .map(async (name) => {
          const kept = JSON.parse(await readFile(path.join(phone, name), 'utf8')) as { key: string; at: Instant; text: string };
          return { ...kept, text: kept.text.replaceAll(ORIGIN, this.origin) };
        }),
    );
    return texts.sort((a, b) => a.at - b.at || a.key.localeCompare(b.key, 'en', { numeric: true }));
  }

  async network(): Promise<Network> {
    const kept = await readFile(this.networkFile(), 'utf8').catch(() => '{}');
    return { ...GOOD_NETWORK, ...(JSON.parse(kept) as Partial<Network>) };
  }

  async setNetwork(network: Network): Promise<void> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 });
    const draft = `${this.networkFile()}.${process.pid}`;
    await writeFile(draft, JSON.stringify(network), { mode: 0o600 });
    await rename(draft, this.networkFile());
  }

  /** @throws Error as often as was wished */
  private async failWhereAsked(): Promise<void> {
    const network = await this.network();
    if (network.fails <= 0) return;
    await this.setNetwork({ ...network, fails: network.fails - 1 });
    throw new Error('The simulated network failed, as set in Messages');
  }

  private networkFile(): string {
    return path.join(this.folder, 'network.json');
  }

  async forget(to: string): Promise<void> {
    await rm(this.folderOf(to), { recursive: true, force: true });
  }

  private folderOf(to: string): string {
    if (!ADDRESS.test(to)) throw new RangeError(`The pretend phone has no address like ${JSON.stringify(to)}`);
    return path.join(this.folder, to);
  }
}
