import { randomUUID } from 'node:crypto';
import { connect, type Socket } from 'node:net';
import mariadb, { type Pool } from 'mariadb';
import { optionsFrom } from './screens';
import { median } from './timing';

const WORKERS = 16;
const BLOCK_MILLISECONDS = 3000;
const BLOCKS = 3;

const MARK = 'bench';

/** Place of the reports: a child outside the measured caseload. */
export interface IntakePlace {
  readonly childId: number;
  /** Addresses to send to: many, since one link accepts no more than a family sends in a day. */
  readonly addresses: readonly string[];
  readonly versionTaskId: number;
}

export interface IntakeFigures {
  readonly perSecond: number;
  readonly barePerSecond: number;
}

/** Reports a second through the HTTP route beside durable INSERTs of the same row, in alternating blocks. */
export async function measureIntake(databaseUrl: string, place: IntakePlace): Promise<IntakeFigures> {
  const pool = mariadb.createPool({ ...optionsFrom(databaseUrl), connectionLimit: WORKERS });
  const lines = Array.from({ length: WORKERS }, () => new Line(place.addresses.map((address) => new URL(address))));
  const throughPool = () => block(() => insert(pool, place));
  const throughRoute = () => block((worker) => lines[worker]!.post(formOf(place.versionTaskId)));
  const bare: number[] = [];
  const route: number[] = [];
  await throughPool();
  await throughRoute();
  for (let count = 0; count < BLOCKS; count += 1) {
    bare.push(await throughPool());
    route.push(await throughRoute());
  }
  for (const line of lines) line.end();
  // Rows written here must not weigh on the next run's screens.
  await pool.query('DELETE FROM reports WHERE child_id = ? AND said_by = ?', [place.childId, MARK]);
  await pool.end();
  return { perSecond: median(route), barePerSecond: median(bare) };
}

/** Runs a job again and again in parallel workers for a while; returns the rate a second. */
async function block(job: (worker: number) => Promise<void>): Promise<number> {
  const until = performance.now() + BLOCK_MILLISECONDS;
  let done = 0;
  await Promise.all(
    Array.from({ length: WORKERS }, async (_, worker) => {
      while (performance.now() < until) {
        await job(worker);
        done += 1;
      }
    }),
  );
  return (done * 1000) / BLOCK_MILLISECONDS;
}

async function insert(pool: Pool, { childId, versionTaskId }: IntakePlace): Promise<void> {
  await pool.query(
    `INSERT INTO reports (idempotency_key, child_id, version_task_id, task_id, step, done, done_on, said_at, left_count, right_count, amount, help, effort, safety_word, is_question, words, said_by, way)
     VALUES (?, ?, ?, 1, 3, 1, CURRENT_DATE - INTERVAL 1 DAY, NOW(3), 0, 0, 8, 'words', 'right', 0, 0, 'went well', ?, 'link')`,
    [randomUUID(), childId, versionTaskId, MARK],
  );
}

/** A phone's request, written straight to the line: what sends the load must not take the machine from what is measured. */
class Line {
  private answered: ((status: string) => void) | null = null;
  private readonly socket: Socket;
  private sent = 0;

  constructor(private readonly addresses: readonly URL[]) {
    const { port, hostname } = addresses[0]!;
    this.socket = connect(Number(port), hostname).setNoDelay(true).setEncoding('latin1');
    this.socket.on('data', (answer: string) => this.answered?.(answer.slice(9, 12)));
  }

  async post(body: string): Promise<void> {
    const { pathname, host } = this.addresses[this.sent++ % this.addresses.length]!;
    const status = await new Promise<string>((resolve) => {
      this.answered = resolve;
      this.socket.write(
        `POST ${pathname} HTTP/1.1\r\nhost: ${host}\r\ncontent-type: application/x-www-form-urlencoded\r\ncontent-length: ${body.length}\r\n\r\n${body}`,
      );
    });
    if (status !== '303') throw new Error(`The intake answered ${status}`);
  }

  end(): void {
    this.socket.destroy();
  }
}

function formOf(versionTaskId: number): string {
  return new URLSearchParams({
    idempotencyKey: randomUUID(),
    versionTaskId: String(versionTaskId),
    done: 'yes',
    amount: '8',
    help: 'words',
    effort: 'right',
    words: 'went well',
    saidBy: MARK,
  }).toString();
}
