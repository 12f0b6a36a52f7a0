import { instant } from '@/core/calendar';
import { inTransaction } from '@/db';
import { deleteChild } from '@/server/students/deleteChild';
import { MOST_ATTEMPTS } from '@/server/jobs/backoff';
import { claim, LEASE_MILLISECONDS } from '@/server/jobs/claim';
import { deliverKey } from '@/server/jobs/jobs';
import { runDue, runNext } from '@/server/jobs/runDue';
import { settle } from '@/server/jobs/settle';
import { sendLinkAgain } from '@/server/messages/links';
import { tryMessageAgain } from '@/server/messages/tryAgain';
import { viewMessages } from '@/server/messages/viewMessages';
import type { PersonActor } from '@/server/actor';
import { decide } from '@/server/review/decide';
import { viewReview } from '@/server/review/viewReview';
import type { Receipt, TextService, TextToSend } from '@/server/ports';
import { newTestBed, postWords, refusal, type TestBed } from './testBed';

/** A text service of the test's own, which can be slow, be down, or die after it took a text. It honours keys, as the port asks. */
class StandIn implements TextService {
  readonly taken = new Map<string, TextToSend>();
  asked = 0;
  before: (message: TextToSend) => Promise<void> = async () => {};
  after: (message: TextToSend) => Promise<void> = async () => {};

  async send(message: TextToSend): Promise<Receipt> {
    this.asked += 1;
    await this.before(message);
    const repeated = this.taken.has(message.idempotencyKey);
    if (!repeated) this.taken.set(message.idempotencyKey, message);
    await this.after(message);
    return { repeated };
  }

  async forget(to: string): Promise<void> {
    for (const [key, message] of this.taken) if (message.to === to) this.taken.delete(key);
  }
}

/** Asks again and again, and says what it waited for in vain. */
async function until(what: string, isSo: () => boolean | Promise<boolean>): Promise<void> {
  const end = Date.now() + 5_000;
  while (!(await isSo())) {
    if (Date.now() > end) throw new Error(`Waited in vain until ${what}`);
    await new Promise((resolve) => setImmediate(resolve));
  }
}

let service: StandIn;
let bed: TestBed;
let ines: PersonActor;
let childId: number;
beforeEach(async () => {
  service = new StandIn();
  bed = await newTestBed({ parts: { texts: service } });
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines);
});
afterEach(() => bed.close());

const note = (words: string) => inTransaction(bed.db, (work) => postWords(work, bed, childId, ines, words));
const later = (milliseconds: number) => bed.at(instant(bed.context.now() + milliseconds));
const jobs = () =>
  bed.read<Record<string, unknown>>(
    "SELECT job_key, attempts, last_error, done_at, given_up_at, run_after FROM jobs WHERE kind = 'deliver' ORDER BY id",
  );
const down = () => Promise.reject(new Error('gateway 503'));

describe('a message', () => {
  it('is written with its job in the transaction of its cause: where that rolls back, neither is there', async () => {
    const failed = inTransaction(bed.db, async (work) => {
      await postWords(work, bed, childId, ines, 'never');
      throw new Error('stop');
    });
    await expect(failed).rejects.toThrow('stop');
    expect([await bed.read('SELECT id FROM messages'), await jobs()]).toEqual([[], []]);
  });

  it('waits while the service is down, is tried with growing waits, and goes out once when it is back', async () => {
    await note('It rained.');
    service.before = down;
    expect(await runNext(bed.context, 'a')).toBe('putOff');
    expect(await runNext(bed.context, 'a')).toBeNull();
    const [first] = await jobs();
    expect(first).toMatchObject({ attempts: 1, last_error: 'Error: gateway 503', done_at: null });
    const waits: number[] = [];
    for (let tried = 1; tried < 6; tried += 1) {
      const [job] = await jobs();
      waits.push((job!.run_after as number) - bed.context.now());
      later(waits.at(-1)!);
      expect(await runNext(bed.context, 'a')).toBe('putOff');
    }
    waits.forEach((wait, index) => {
      expect(wait).toBeGreaterThanOrEqual(1000 * 2 ** index);
      expect(wait).toBeLessThanOrEqual(2000 * 2 ** index);
    });
    service.before = async () => {};
    later(3_600_000);
    expect(await runDue(bed.context, 'a')).toBeGreaterThan(0);
    expect([...service.taken.values()].map(({ text }) => text)).toEqual(['It rained.']);
    expect(await bed.read('SELECT status FROM messages')).toEqual([{ status: 'handedOver' }]);
  });

  it('is given up after the last try; Post shows it, and “try again” sends it', async () => {
    const messageId = await note('It rained.');
    service.before = down;
    for (let tried = 1; tried <= MOST_ATTEMPTS; tried += 1) {
      expect(await runNext(bed.context, 'a')).toBe(tried < MOST_ATTEMPTS ? 'putOff' : 'givenUp');
      later(5 * 3_600_000);
    }
    expect(await runNext(bed.context, 'a')).toBeNull();
    const post = () => viewMessages(bed.context, ines, { phoneOf: null, search: '' });
    expect((await post()).messages).toMatchObject([{ status: 'givenUp', mayTryAgain: true }]);
    service.before = async () => {};
    await tryMessageAgain(bed.context, ines, childId, messageId);
    expect((await post()).messages).toMatchObject([{ status: 'waiting', mayTryAgain: true }]);
    await runDue(bed.context, 'a');
    expect((await post()).messages).toMatchObject([{ status: 'handedOver' }]);
    expect(service.taken.size).toBe(1);
    expect(await refusal(tryMessageAgain(bed.context, ines, childId, messageId))).toBe('notFound');
  });

  it('makes a link only where its words hold one (P4), and the same one at every try', async () => {
    await note('No link in here.');
    await runDue(bed.context, 'a');
    expect(await bed.read('SELECT id FROM family_links')).toEqual([]);
    await sendLinkAgain(bed.context, ines, childId);
    const texts: string[] = [];
    service.before = async ({ text }) => {
      texts.push(text);
      if (texts.length < 3) throw new Error('gateway 503');
    };
    for (let tried = 0; tried < 3; tried += 1) {
      await runDue(bed.context, 'a');
      later(60_000);
    }
    expect(new Set(texts).size).toBe(1);
    expect(texts).toHaveLength(3);
    expect(await bed.read('SELECT COUNT(*) AS count FROM family_links')).toEqual([{ count: 1 }]);
  });

  it('of a child that was deleted meanwhile is not sent, and the service forgets the family', async () => {
    await note('before');
    await runDue(bed.context, 'a');
    await note('too late');
    await deleteChild(bed.context, ines, childId, 'Odalys V.');
    expect(service.taken.size).toBe(1);
    await runDue(bed.context, 'a');
    expect([...service.taken.values()]).toEqual([]);
    expect(service.asked).toBe(1);
    expect(await bed.read('SELECT id FROM jobs WHERE is_open = 1')).toEqual([]);
  });
});

describe('an answer never waits for the service, and never fails with it (P2, P3)', () => {
  const makeReady = async () => {
    await bed.send(ines, childId);
    const phoneLink = [...service.taken.values()].at(-1)!.text.split('/f/')[1]!;
    jest.spyOn(bed, 'newestToken').mockResolvedValue(phoneLink);
    for (let count = 0; count < 3; count += 1) {
      await bed.report(childId);
      bed.passDays(1);
    }
    return (await viewReview(bed.context, ines, null)).here!;
  };

  it('a decision stands and is answered while the service is down; pressing again finds it settled', async () => {
    const here = await makeReady();
    service.before = down;
    const input = { childId, key: here.decision.key, answer: 'up', expectedVersion: 1 };
    expect(await refusal(decide(bed.context, ines, input))).toBe('not refused');
    expect(await refusal(decide(bed.context, ines, input))).toBe('staleDecision');
    await runDue(bed.context, 'a');
    expect(await bed.read("SELECT COUNT(*) AS count FROM messages WHERE status = 'waiting'")).toEqual([{ count: 1 }]);
  });

  it('with fourteen texts in the hands of a slow service, no decision waits and no second connection is asked for', async () => {
    const here = await makeReady();
    for (let count = 0; count < 14; count += 1) await note(`text ${count}`);
    let release!: () => void;
    const held = new Promise<void>((resolve) => {
      release = resolve;
    });
    let inHand = 0;
    service.before = async () => {
      inHand += 1;
      await held;
    };
    // A lane that finds the jobs in others' hands looks again, as the runner does.
    const lane = async (name: string): Promise<unknown> => (await runNext(bed.context, name)) ?? lane(name);
    const runners = Array.from({ length: 14 }, (_, index) => lane(`lane-${index}`));
    await until('all texts are in the hands of the service', () => inHand === 14);
    // All fourteen acts are under way now, and none of them holds a connection: the pool has twelve.
    const { pool } = bed.db.sequelize.connectionManager as unknown as { pool: { using: number; waiting: number } };
    expect(pool).toMatchObject({ using: 0, waiting: 0 });
    expect(await refusal(decide(bed.context, ines, { childId, key: here.decision.key, answer: 'up', expectedVersion: 1 }))).toBe(
      'not refused',
    );
    release();
    expect(new Set(await Promise.all(runners))).toEqual(new Set(['done']));
    expect([...service.taken.values()].filter(({ text }) => text.startsWith('text '))).toHaveLength(14);
  });
});

describe('two runners, and faults between the act and its settling', () => {
  it('share the jobs: each text goes out once', async () => {
    for (let count = 0; count < 30; count += 1) await note(`text ${count}`);
    await Promise.all(['a', 'b', 'c'].map((worker) => runDue(bed.context, worker)));
    expect(service.asked).toBe(30);
    expect(new Set([...service.taken.values()].map(({ text }) => text)).size).toBe(30);
    expect(await bed.read("SELECT COUNT(*) AS count FROM messages WHERE status = 'handedOver'")).toEqual([{ count: 30 }]);
  });

  it('a job whose runner died is done by the next when its lease has run out, and not before', async () => {
    await note('once');
    const dead = await claim(bed.context, 'dead', ['deliver']);
    expect(dead).toMatchObject({ attempts: 1 });
    later(LEASE_MILLISECONDS - 1);
    expect(await runNext(bed.context, 'b')).toBeNull();
    later(1);
    expect(await runNext(bed.context, 'b')).toBe('done');
    expect(service.taken.size).toBe(1);
  });

  it('a runner that comes back after its lease ran out settles nothing any more', async () => {
    await note('once');
    const slow = (await claim(bed.context, 'slow', ['deliver']))!;
    later(LEASE_MILLISECONDS);
    expect(await runNext(bed.context, 'b')).toBe('done');
    let wrote = false;
    await settle(bed.context, slow, async () => {
      wrote = true;
    });
    expect(wrote).toBe(false);
  });

  it('a deadlock after the act repeats the settling, never the text (P8)', async () => {
    const messageId = await note('once');
    let crossed!: Promise<unknown>;
    service.after = async () => {
      // Somebody with much to lose holds the message and will want the job, which the settling takes first.
      let isHeld!: () => void;
      const held = new Promise<void>((resolve) => {
        isHeld = resolve;
      });
      crossed = bed.db.sequelize.transaction(async (transaction) => {
        const run = (sql: string, replacements = {}) => bed.db.sequelize.query(sql, { transaction, replacements, raw: true });
        await run('INSERT INTO schools (name) SELECT CONCAT("heavy ", seq) FROM seq_1_to_500');
        await run("UPDATE messages SET words = CONCAT(words, ' ') WHERE id = :messageId", { messageId });
        isHeld();
        // Wants the job once the settling has it: one of the two has to give way, and it is the lighter one.
        await until('the settling waits for the message', async () => {
          const waiting = await bed.read(
            "SELECT id FROM information_schema.processlist WHERE info LIKE 'SELECT m.id%FOR UPDATE' AND db = DATABASE()",
          );
          return waiting.length > 0;
        });
        await run('UPDATE jobs SET payload = payload WHERE job_key = :key', { key: deliverKey(messageId) });
      });
      await held;
    };
    expect(await runNext(bed.context, 'a')).toBe('done');
    await crossed;
    expect(service.asked).toBe(1);
    expect(await bed.read('SELECT status FROM messages WHERE id = :messageId', { messageId })).toEqual([{ status: 'handedOver' }]);
  });
});
