import { practiceSince, inTransaction, reportLog, sessionsAt, sessionsAtPresentSteps, sessionsOfTasks, versionOf } from '@/db';
import { calendarDay } from '@/core/calendar';
import { outcomeOf } from '@/core/reports';
import { submitReport } from '@/server/reports/submitReport';
import { sendProgram } from '@/server/programs/sendProgram';
import { viewReview } from '@/server/review/viewReview';
import { decide } from '@/server/review/decide';
import { viewFamily } from '@/server/reports/viewFamily';
import { randomUUID } from 'node:crypto';
import type { PersonActor } from '@/server/actor';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines);
});
afterEach(() => bed.close());

const DAY = calendarDay('2026-01-01');

async function tell(slug: string, raw: Record<string, string>): Promise<void> {
  const versionTaskId = await bed.versionTaskId(childId, slug);
  await submitReport(bed.context, await bed.newestToken(childId), { idempotencyKey: randomUUID(), versionTaskId, done: 'yes', ...raw });
}

/** Wall push at step 2, where step 1 may be chosen: ten presses, and five. */
async function sendAtStep2(expectedVersion: number): Promise<void> {
  const draft = bed.draft(['wall-push']);
  const tasks = draft.tasks.map((task) => ({ ...task, step: 2, chooseFrom: 1, chooseTo: 3 }));
  await sendProgram(bed.context, ines, { childId, expectedVersion, draft: { ...draft, tasks }, cautionsRead: true });
  await bed.runJobs();
}

const log = () => inTransaction(bed.context.db, (work) => reportLog(work, childId, { most: 10 }));

describe('targets by step', () => {
  it('a report is judged by the step that it names, by every way of reading it', async () => {
    await bed.send(ines, childId, 0, ['wall-push', 'crane-lift']);
    const version = await inTransaction(bed.context.db, (work) => versionOf(work, childId, 1));
    expect(version!.tasks.find(({ content }) => content.slug === 'wall-push')).toMatchObject({ step: 3, target: 8 });
    await sendAtStep2(1);
    await tell('wall-push', { step: '1', amount: '5', help: 'shown' });
    await tell('wall-push', { step: '2', amount: '5', help: 'shown' });
    const [second, first] = await log();
    expect([first!.target, second!.target]).toEqual([5, 8]);
    expect([first!, second!].map((each) => outcomeOf(each, each.target))).toEqual(['reached', 'partly']);
    const { taskId } = first!;
    const sessions = await inTransaction(bed.context.db, (work) => sessionsOfTasks(work, childId, [taskId]));
    expect(sessions.map(({ target }) => target)).toEqual([5, 8]);
    const practice = await inTransaction(bed.context.db, (work) => practiceSince(work, [childId], DAY));
    expect(practice.get(childId)!.map(({ target }) => target)).toEqual([5, 8]);
  });

  it('what rules look at, read by the index alone, is what the rows say, in versions of old, too', async () => {
    await sendAtStep2(0);
    await tell('wall-push', { step: '1', amount: '5', help: 'shown' });
    await tell('wall-push', { step: '2', amount: '6', help: 'words', minutes: '4', effort: 'tooHard' });
    await tell('wall-push', { done: 'no', notDone: 'refused' });
    await sendAtStep2(1);
    await tell('wall-push', { step: '2', amount: '9', help: 'alone' });
    for (const old of [false, true]) {
      if (old) await bed.write('UPDATE version_tasks SET step_targets = NULL, target = 7');
      const { byRows, byIndex, present } = await inTransaction(bed.context.db, async (work) => {
        const [first] = await reportLog(work, childId, { most: 1 });
        const { taskId } = first!;
        const byRows = await sessionsOfTasks(work, childId, [taskId]);
        const places = [...new Set(byRows.map(({ step }) => step))].map((step) => ({ childId, taskId, step }));
        return { byRows, byIndex: await sessionsAt(work, places), present: await sessionsAtPresentSteps(work, [childId], DAY) };
      });
      const plain = (sessions: typeof byRows) =>
        sessions
          .map(({ reportId, doneOn, step, done, amount, minutes, help, effort, stopReason, safetyWord, versionNumber, target }) => ({
            ...{ reportId, doneOn, step, done, amount, minutes, help, effort, stopReason, safetyWord, versionNumber, target },
          }))
          .sort((a, b) => a.reportId - b.reportId);
      expect(byRows.map(({ target }) => target)).toEqual(old ? [7, 7, 7, 7] : [5, 8, 8, 8]);
      expect(plain(byIndex)).toEqual(plain(byRows));
      expect(plain(present)).toEqual(plain(byRows.filter(({ step }) => step === 2)));
    }
  });

  it('a regrade takes the dose of the new step along, and taking it back that of the old', async () => {
    await sendAtStep2(0);
    const target = async (number: number) =>
      (await inTransaction(bed.context.db, (work) => versionOf(work, childId, number)))!.tasks[0]!.target;
    expect(await target(1)).toBe(8);
    for (let day = 0; day < 3; day += 1) {
      await tell('wall-push', { step: '2', amount: '2', help: 'shown', effort: 'tooHard' });
      bed.passDays(1);
    }
    const { open } = await viewReview(bed.context, ines, null);
    const down = open.find(({ kind }) => kind === 'tooHard')!;
    await decide(bed.context, ines, { childId, key: down.key, answer: 'down', expectedVersion: 1 });
    expect(await target(2)).toBe(5);
  });

  it('a version of old has one target for all its steps', async () => {
    await bed.send(ines, childId, 0, ['wall-push']);
    await bed.write("UPDATE version_tasks SET step_targets = NULL, dose = JSON_REMOVE(dose, '$.atSteps')");
    await tell('wall-push', { step: '2', amount: '5', help: 'shown' });
    expect((await log())[0]).toMatchObject({ target: 8, amount: 5 });
    await bed.write('UPDATE version_tasks SET choose_from = 1');
    await tell('wall-push', { step: '1', amount: '5', help: 'shown' });
    expect((await log())[0]).toMatchObject({ step: 1, target: 8 });
  });

  it('minutes are told in halves, good ones are not', async () => {
    await bed.send(ines, childId, 0, ['spirit-level', 'wall-push']);
    await tell('spirit-level', { amount: '1,5' });
    expect((await log())[0]).toMatchObject({ amount: 1.5, plainAmount: 1.5, target: 2 });
    expect(await refusal(tell('wall-push', { amount: '2.5' }))).toBe('invalid');
    expect(await refusal(tell('spirit-level', { amount: '1.25' }))).toBe('invalid');
  });

  it('a tally is kept, and asks for nothing', async () => {
    await bed.send(ines, childId, 0, ['which-hand-foreman']);
    await tell('which-hand-foreman', { left: '7', right: '3' });
    const [told] = await log();
    expect(told).toMatchObject({ target: null, left: 7, right: 3, amount: 10 });
    expect(outcomeOf(told!, told!.target)).toBe('uncounted');
    expect((await viewFamily(bed.context, await bed.newestToken(childId))).tasks[0]!.reportedToday).toMatchObject({
      amount: 10,
      target: null,
    });
  });
});
