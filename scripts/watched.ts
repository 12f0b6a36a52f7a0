import type { ChildProcess } from 'node:child_process';
import { pause, waitForEnd } from './processes';

/** The first pause before a process is started anew; it doubles while it keeps ending, up to the last. */
const FIRST_PAUSE_MILLISECONDS = 500;
const LAST_PAUSE_MILLISECONDS = 30_000;
/** A process that ran this long is no longer in a crash loop. */
const WELL_MILLISECONDS = 60_000;
const END_MILLISECONDS = 12_000;

/** A process that is started anew whenever it ends without being asked to. */
export class Watched {
  private current: ChildProcess | null = null;
  private isWanted = false;
  private pauseMilliseconds = FIRST_PAUSE_MILLISECONDS;

  /**
   * @param start starts it, and gives it back once it does its work
   * @param say told when it is started anew, and why
   */
  constructor(
    private readonly name: string,
    private readonly start: () => Promise<ChildProcess>,
    private readonly say: (text: string) => void,
  ) {}

  get pid(): number | undefined {
    return this.current?.pid;
  }

  async begin(): Promise<void> {
    this.isWanted = true;
    const startedAt = Date.now();
    const started = await this.start();
    this.current = started;
    const onEnd = (how: string) => void this.again(started, how, startedAt);
    if (started.exitCode !== null || started.signalCode !== null) onEnd(String(started.signalCode ?? started.exitCode));
    else started.once('exit', (code, signal) => onEnd(String(signal ?? code)));
  }

  private async again(ended: ChildProcess, how: string, startedAt: number): Promise<void> {
    if (!this.isWanted || this.current !== ended) return;
    if (Date.now() - startedAt > WELL_MILLISECONDS) this.pauseMilliseconds = FIRST_PAUSE_MILLISECONDS;
    this.say(`${this.name} ended (${how}). Starting it again.`);
    await pause(this.pauseMilliseconds);
    this.pauseMilliseconds = Math.min(LAST_PAUSE_MILLISECONDS, this.pauseMilliseconds * 2);
    if (!this.isWanted || this.current !== ended) return;
    await this.begin().catch((error: unknown) => {
      this.say(`${this.name} does not start: ${error instanceof Error ? error.message : String(error)}`);
      return this.again(ended, 'not started', startedAt);
    });
  }

  /** Ends it as it asks to be ended, or at once as a power cut would; it is not started anew. */
  async end(signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
    this.isWanted = false;
    const { current } = this;
    // Its end is no surprise, however late it is heard of.
    this.current = null;
    if (!current?.pid || current.exitCode !== null || current.signalCode !== null) return;
    current.kill(signal);
    await waitForEnd(current.pid, END_MILLISECONDS).catch(() => {
      current.kill('SIGKILL');
      return waitForEnd(current.pid!, END_MILLISECONDS);
    });
  }
}
