import { randomUUID } from 'node:crypto';
import type { PersonActor } from '@/server/actor';
import { runDue } from '@/server/jobs/runDue';
import { MOST_A_DAY, MOST_OF_HARM } from '@/server/reports/dailyReportLimit';
import { submitReport } from '@/server/reports/submitReport';
import { viewFamily } from '@/server/reports/viewFamily';
import { decide } from '@/server/review/decide';
import { viewReview } from '@/server/review/viewReview';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let teodor: PersonActor;
let childId: number;
let token: string;
let versionTaskId: string;
beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  teodor = await bed.person('Teodor Wray', 'assistant');
  childId = await bed.child(ines);
  await bed.share(childId, teodor, 'assist');
  await bed.send(ines, childId);
  token = await bed.newestToken(childId);
  versionTaskId = String(await bed.versionTaskId(childId));
});
afterAll(() => bed.close());

const send = (change: Record<string, string> = {}) =>
  submitReport(bed.context, token, { idempotencyKey: randomUUID(), versionTaskId, done: 'no', notDone: 'time', ...change });
const kinds = async (actor: PersonActor) => (await viewReview(bed.context, actor, null)).open.map(({ kind }) => kind);
const countReports = async () => (await bed.read<{ count: number }>('SELECT COUNT(*) AS count FROM reports'))[0]!.count;

describe('a link that sends without end', () => {
  it('is taken in up to a day’s most, also where all come at once; the same report again is answered as ever', async () => {
    const first = { idempotencyKey: randomUUID() };
    await send(first);
    const codes = await Promise.all(Array.from({ length: MOST_A_DAY + 40 }, () => refusal(send())));
    expect(codes.filter((code) => code === 'tooManyReports')).toHaveLength(41);
    expect(await countReports()).toBe(MOST_A_DAY);
    expect((await send(first)).repeated).toBe(true);
  });

  it('is told of once, in the trail and as a card', async () => {
    await refusal(send());
    expect(await kinds(ines)).toContain('flooded');
    await runDue(bed.context, 'a');
    expect(await bed.read("SELECT COUNT(*) AS count FROM audit WHERE action = 'link.flooded'")).toEqual([{ count: 1 }]);
  });

  it('covers no injury: what hurts is taken in beyond that, closes the task, and stands first; no answer of an assistant hides it (A3)', async () => {
    await send({ done: 'yes', hurt: 'on', words: 'the finger bleeds' });
    expect((await kinds(ines))[0]).toBe('safetyWord');
    const [card] = (await viewReview(bed.context, teodor, null)).open;
    for (const answer of ['lifted', 'takenOut', 'keptClosed', 'read', 'hold'] as const)
      expect(await refusal(decide(bed.context, teodor, { childId, key: card!.key, answer, reason: 'x y z', expectedVersion: 1 }))).not.toBe(
        'not refused',
      );
    const codes = await Promise.all(Array.from({ length: MOST_OF_HARM }, () => refusal(send({ done: 'yes', hurt: 'on' }))));
    expect(codes.filter((code) => code === 'not refused')).toHaveLength(MOST_OF_HARM - MOST_A_DAY - 1);
    // However many say so, it is one card, and the task is closed.
    expect((await kinds(ines)).filter((kind) => kind === 'safetyWord')).toHaveLength(1);
    const view = await viewFamily(bed.context, token);
    expect([...view.tasks, ...view.otherTasks].some(({ closed }) => closed !== null)).toBe(true);
    // A correction that says nothing of it any more opens nothing.
    const [hurt] = await bed.read<{ id: number }>("SELECT id FROM reports WHERE words = 'the finger bleeds'");
    await refusal(send({ corrects: String(hurt!.id) }));
    expect((await kinds(ines))[0]).toBe('safetyWord');
  });

  it('does not keep correcting without end', async () => {
    const codes: string[] = [];
    const [report] = await bed.read<{ id: number }>('SELECT MIN(id) AS id FROM reports');
    await bed.write('INSERT INTO sign_in_tries VALUES (:key, :tries, :end) ON DUPLICATE KEY UPDATE tries = :tries', {
      key: `correct:${(await bed.read<{ id: number }>('SELECT id FROM family_links'))[0]!.id}`,
      tries: MOST_A_DAY - 2,
      end: new Date(bed.context.now() + 3_600_000),
    });
    for (let count = 0; count < 4; count += 1) codes.push(await refusal(send({ corrects: String(report!.id), words: `word ${count}` })));
    expect(codes).toEqual(['not refused', 'not refused', 'tooManyReports', 'tooManyReports']);
  });

  it('is open again a day later', async () => {
    bed.passDays(1.1);
    await send();
    bed.passDays(14);
    expect(await kinds(ines)).not.toContain('flooded');
  });
});
