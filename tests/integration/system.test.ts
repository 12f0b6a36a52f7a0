import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { instant } from '@/core/calendar';
import { addJobs, inTransaction } from '@/db';
import { dumpAddressOf } from '@/main/contextFrom';
import { DailyBackups } from '@/outside/backup';
import type { Context } from '@/server/context';
import { backupJob } from '@/server/jobs/jobs';
import { runJobLoop } from '@/server/jobs/runJobLoop';
import { runNext } from '@/server/jobs/runDue';
import { healthOf } from '@/server/health/health';
import { failingParts, systemState } from '@/server/health/systemState';
import { newTestBed, type TestBed } from './testBed';

let bed: TestBed;
beforeEach(async () => {
  bed = await newTestBed();
});
afterEach(() => bed.close());

/** A worker that works until it has nothing to do. */
async function work(context: Context): Promise<void> {
  const stop = new AbortController();
  let waits = 0;
  const wait = async () => {
    waits += 1;
    if (waits > 8) stop.abort();
  };
  await runJobLoop(context, { worker: 'test', lanes: 1, stop: stop.signal, wait, onFault: (error) => Promise.reject(error) });
}
const failing = async (context: Context = bed.context) => failingParts(await systemState(context));

describe('the state of what runs without a person', () => {
  it('says that the background worker stopped a minute after its last mark', async () => {
    expect(await failing()).toEqual(['worker']);
    await work(bed.context);
    expect(await failing()).toEqual([]);
    bed.at(instant(bed.context.now() + 59_000));
    expect(await failing()).toEqual([]);
    bed.at(instant(bed.context.now() + 2_000));
    expect(await failing()).toContain('worker');
  });

  it('says that jobs wait for longer than ten minutes', async () => {
    await bed.write("INSERT INTO jobs (kind, job_key, payload, created_at, run_after) VALUES ('tidy', 'old', '{}', :at, :at)", {
      at: new Date(bed.context.now() - 660_000).toISOString().slice(0, 23).replace('T', ' '),
    });
    const { queue } = await systemState(bed.context);
    expect(queue).toEqual({ ok: false, waiting: 1, oldestSeconds: 660 });
  });

  it('says that a daily backup failed, in the log too, until one succeeds; health tells it, and stays 200', async () => {
    const blocked = path.join(process.env.YARD_TEST_FOLDER!, `blocked-${bed.databaseUrl.split('/').at(-1)}`);
    writeFileSync(blocked, 'a file where the folder should be');
    const backupsIn = (folder: string) =>
      new DailyBackups({ folder, keep: 2, database: dumpAddressOf(bed.databaseUrl), dataFolder: `${blocked}-data`, passphrase: null });
    const context = { ...bed.context, backups: backupsIn(blocked) };
    await inTransaction(bed.db, (unit) => addJobs(unit, [backupJob('2026-11-26', bed.context.now())]));
    const faults: unknown[] = [];
    expect(await runNext(context, 'test', (_error, job) => faults.push(job?.kind))).toBe('putOff');
    expect(faults).toEqual(['backup']);
    expect(await failing(context)).toContain('backup');
    expect(await healthOf(context)).toMatchObject({ database: 'up', parts: { backup: { ok: false, isOn: true, lastAt: null } } });

    bed.at(instant(bed.context.now() + 10_000));
    const mended = { ...bed.context, backups: backupsIn(`${blocked}-folder`) };
    expect(await runNext(mended, 'test')).toBe('done');
    expect((await systemState(mended)).backup).toEqual({ ok: true, isOn: true, lastAt: bed.context.now() });
  });

  it('says that the disk is almost full', async () => {
    const full = {
      ...bed.context,
      media: Object.assign(Object.create(bed.context.media) as Context['media'], { freeBytes: async () => 5e8 }),
    };
    expect(await failing(full)).toContain('disk');
  });
});
