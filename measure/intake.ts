import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import mariadb, { type Pool } from 'mariadb';
import { optionsFrom } from './screens';
import { median } from './timing';

const WORKERS = 16;
const BLOCK_MILLISECONDS = 3000;
const BLOCKS = 3;

const MARK = 'bench';

/** Where the reports go: a child outside the measured caseload. */
export interface IntakePlace {
  readonly childId: number;
  readonly address: string;
  readonly versionTaskId: number;
}

export interface IntakeFigures {
  readonly perSecond: number;
  readonly barePerSecond: number;
}

/** Reports a second through the HTTP route beside durable INSERTs of the same row, in alternating blocks. */
export async function measureIntake(databaseUrl: string, place: IntakePlace): Promise<IntakeFigures> {
  const pool = mariadb.createPool({ ...optionsFrom(databaseUrl), connectionLimit: WORKERS });
  const agent = new Agent({ keepAlive: true, maxSockets: WORKERS });
  const bare: number[] = [];
  const route: number[] = [];
  await block(() => insert(pool, place));
  await block(() => post(agent, place));
  for (let count = 0; count < BLOCKS; count += 1) {
    bare.push(await block(() => insert(pool, place)));
    route.push(await block(() => post(agent, place)));
  }
  agent.destroy();
  // What was written here must not weigh on the next run's screens.
  await pool.query('DELETE FROM reports WHERE child_id = ? AND said_by = ?', [place.childId, MARK]);
  await pool.end();
  return { perSecond: median(route), barePerSecond: median(bare) };
}

/** So many workers do a job again and again for a while; gives back how often a second. */
async function block(job: () => Promise<void>): Promise<number> {
  const until = performance.now() + BLOCK_MILLISECONDS;
  let done = 0;
  await Promise.all(
    Array.from({ length: WORKERS }, async () => {
      while (performance.now() < until) {
        await job();
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

function post(agent: Agent, { address, versionTaskId }: IntakePlace): Promise<void> {
  const body = new URLSearchParams({
    idempotencyKey: randomUUID(),
    versionTaskId: String(versionTaskId),
    done: 'yes',
    amount: '8',
    help: 'words',
    effort: 'right',
    words: 'went well',
    saidBy: MARK,
  }).toString();
  return new Promise((resolve, reject) => {
    const sent = request(
      address,
      {
        method: 'POST',
        agent,
        headers: { 'content-type': 'application/x-www-form-urlencoded', 'content-length': Buffer.byteLength(body) },
      },
      (answer) => {
        answer.resume();
        answer.on('end', () => (answer.statusCode === 303 ? resolve() : reject(new Error(`The intake answered ${answer.statusCode}`))));
      },
    );
    sent.on('error', reject);
    sent.end(body);
  });
}
