import { instant } from '@/core/calendar';
import type { PersonActor } from '@/server/actor';
import { exportChild } from '@/server/exchange/exportChild';
import { correctByStaff } from '@/server/reports/correctByStaff';
import { viewReport } from '@/server/reports/viewReport';
import { viewReview } from '@/server/review/viewReview';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let childId: number;

beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
});
beforeEach(async () => {
  bed.at(instant(Date.parse('2026-10-14T20:00:00Z')));
  childId = await bed.child(ines);
  await bed.send(ines, childId);
});

const correct = (reportId: number, fields: Record<string, string>) =>
  correctByStaff(bed.context, ines, { childId, reportId, seenCorrectedAt: '0', why: 'The other hand was meant', ...fields });
const now = async (reportId: number) => (await viewReport(bed.context, ines, childId, reportId)).report;

describe('a report that a colleague puts right', () => {
  it('says the new, and keeps the old with who and why, for the screen and for the parent who asks', async () => {
    const { reportId } = await bed.report(childId, { left: '5', right: '1', help: 'shown', words: 'Era divertido' });
    await correct(reportId, { doneOn: '2026-10-13', left: '1', right: '5', help: 'alone', effort: 'right' });
    const { report, history } = await viewReport(bed.context, ines, childId, reportId);
    expect(report).toMatchObject({
      doneOn: '2026-10-13',
      left: 1,
      right: 5,
      amount: 6,
      help: 'alone',
      effort: 'right',
      words: 'Era divertido',
    });
    const before = { doneOn: '2026-10-14', left: 5, right: 1, help: 'shown', words: 'Era divertido' };
    expect(history).toMatchObject([{ who: 'Ines Calloway-Brandt', why: 'The other hand was meant', before }]);
    const confirmed = { ...ines, confirmedAt: bed.context.now() };
    expect((await exportChild(bed.context, confirmed, childId)).corrections).toEqual(history);
  });

  it('takes back nothing that was said of pain: the task stays closed and its card stands', async () => {
    const { reportId } = await bed.report(childId, { hurt: 'yes', words: 'his wrist hurts' });
    await correct(reportId, { left: '0', right: '0', effort: 'right' });
    expect(await now(reportId)).toMatchObject({ safetyWord: true, danger: 'told', holds: true, words: 'his wrist hurts' });
    const { open } = await viewReview(bed.context, ines, null);
    expect(open.filter((card) => card.childId === childId)[0]).toMatchObject({ kind: 'safetyWord' });
  });

  it('and does not open again what a colleague has read and lifted', async () => {
    const { reportId } = await bed.report(childId, { words: 'he bled a little' });
    const before = await bed.read('SELECT danger, lift_id, read_at FROM reports WHERE id = :reportId', { reportId });
    await correct(reportId, { left: '2', right: '2' });
    expect(await bed.read('SELECT danger, lift_id, read_at FROM reports WHERE id = :reportId', { reportId })).toEqual(before);
  });

  it('may come to be of pain, and closes the task then', async () => {
    const { reportId } = await bed.report(childId, {});
    await correct(reportId, { left: '0', right: '0', stopReason: 'pain' });
    expect(await now(reportId)).toMatchObject({ danger: 'told', holds: true });
  });

  it('stays on a day longer ago than a family may tell of, and goes no further back', async () => {
    const { reportId } = await bed.report(childId, { doneOn: '2026-10-12' });
    bed.passDays(80);
    expect(await refusal(correct(reportId, { doneOn: '2026-10-11' }))).toBe('invalid');
    await correct(reportId, { doneOn: '2026-10-12', left: '2' });
    expect(await now(reportId)).toMatchObject({ doneOn: '2026-10-12', left: 2 });
  });

  it.each([
    ['no reason', { why: ' ' }, 'invalid'],
    ['a day that has not come', { doneOn: '2026-10-16' }, 'invalid'],
    ['a step that the ladder has not', { step: '40' }, 'invalid'],
    ['a count of what was not done', { done: 'no', left: '3' }, 'invalid'],
    ['a count that is none', { left: 'five' }, 'invalid'],
    ['somebody who saw it before another correction', { seenCorrectedAt: '1' }, 'staleRecord'],
  ])('with %s is refused, and stays as it is', async (_name, fields, expected) => {
    const { reportId } = await bed.report(childId, {});
    const before = await now(reportId);
    expect(await refusal(correct(reportId, fields))).toBe(expected);
    expect(await now(reportId)).toEqual(before);
  });

  it('is put right once, where two colleagues do it at once', async () => {
    const { reportId } = await bed.report(childId, {});
    const answers = await Promise.all(['1', '2'].map((left) => refusal(correct(reportId, { left }))));
    expect(answers.sort()).toEqual(['not refused', 'staleRecord']);
  });
});
