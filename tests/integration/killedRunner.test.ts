import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { instant } from '@/core/calendar';
import { inTransaction } from '@/db';
import type { PersonActor } from '@/server/actor';
import { LEASE_MILLISECONDS } from '@/server/jobs/claim';
import { newTestBed, postWords, ORIGIN, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines);
});
afterEach(() => bed.close());

const note = (words: string) => inTransaction(bed.db, (work) => postWords(work, bed, childId, ines, words));

/** A real runner in its own process, on the same database and phone. */
function runner(point: string): ChildProcess {
  const folder = path.join(process.env.YARD_TEST_FOLDER!, bed.databaseUrl.split('/').at(-1)!);
  const words = ['scripts/run.mjs', 'tests/fixtures/dyingRunner.ts', bed.databaseUrl, folder, ORIGIN, String(bed.context.now()), point];
  return spawn(process.execPath, words, { stdio: ['ignore', 'pipe', 'inherit'] });
}

/** The next line that it says; fails where it ends without one. */
function saysOf(child: ChildProcess): Promise<string> {
  return new Promise((resolve, reject) => {
    createInterface({ input: child.stdout! }).once('line', resolve);
    child.once('exit', (code) => reject(new Error(`the runner ended with ${code} and said nothing`)));
  });
}

const texts = async () => (await bed.phone(childId)).map(({ text }) => text);

describe('a runner killed with -9', () => {
  it.each(['before', 'during', 'after'])('%s the act: the text arrives once, and not before the lease has run out', async (point) => {
    await note('It rained.');
    const dying = runner(point);
    expect(await saysOf(dying)).toBe(`stopped ${point}`);
    const ended = once(dying, 'exit');
    dying.kill('SIGKILL');
    expect(await ended).toEqual([null, 'SIGKILL']);
    if (point === 'before') expect(await texts()).toEqual([]);
    await bed.runJobs();
    expect(await bed.read('SELECT status FROM messages')).toEqual([{ status: 'waiting' }]);
    bed.at(instant(bed.context.now() + LEASE_MILLISECONDS));
    await bed.runJobs();
    expect(await texts()).toEqual(['It rained.']);
    expect(await bed.read('SELECT status FROM messages')).toEqual([{ status: 'handedOver' }]);
    expect(await bed.read("SELECT attempts FROM jobs WHERE kind = 'deliver'")).toEqual([{ attempts: 2 }]);
  });

  it('two real runners at once: each text goes out once', async () => {
    const words = Array.from({ length: 20 }, (_, index) => `text ${String(index).padStart(2, '0')}`);
    for (const each of words) await note(each);
    const runners = [runner('nowhere'), runner('nowhere')];
    expect(await Promise.all(runners.map(saysOf))).toEqual(['ended', 'ended']);
    expect((await texts()).sort()).toEqual(words);
    expect(await bed.read('SELECT MAX(attempts) AS most FROM jobs WHERE kind = "deliver"')).toEqual([{ most: 1 }]);
  });
});
