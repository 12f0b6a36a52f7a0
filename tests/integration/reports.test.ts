import { randomUUID } from 'node:crypto';
import { addDays, instant } from '@/core/calendar';
import { viewReport } from '@/server/reports/viewReport';
import { viewFamily } from '@/server/reports/viewFamily';
import { submitReport } from '@/server/reports/submitReport';
import { sendProgram } from '@/server/programs/sendProgram';
import { revokeLink, sendLinkAgain } from '@/server/messages/links';
import { AFTER_PROGRAM_DAYS, LINK_DAYS } from '@/server/messages/familyAddress';
import type { PersonActor } from '@/server/actor';
import { newTestBed, NOON, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines);
  await bed.send(ines, childId);
});
afterEach(() => bed.close());
const reports = () => bed.read<Record<string, unknown>>('SELECT * FROM reports ORDER BY id');
const issuesOf = (job: Promise<unknown>) =>
  job.then(
    () => [],
    (error: { detail: { issues: { code: string; path: string }[] } }) => error.detail.issues.map((issue) => `${issue.path} ${issue.code}`),
  );

describe('a report', () => {
  it('sent again with its key makes one report, also when both come at once', async () => {
    const idempotencyKey = randomUUID();
    const answers = await Promise.all(Array.from({ length: 8 }, () => bed.report(childId, { idempotencyKey })));
    expect(new Set(answers.map((answer) => answer.reportId)).size).toBe(1);
    expect(answers.filter((answer) => !answer.repeated)).toHaveLength(1);
    expect(await reports()).toHaveLength(1);
  });

  it('with a key that belongs to another child is refused, and tells nothing of it', async () => {
    const idempotencyKey = randomUUID();
    await bed.report(childId, { idempotencyKey });
    const second = await bed.child(ines);
    await bed.send(ines, second);
    expect(await refusal(bed.report(second, { idempotencyKey }))).toBe('invalid');
    expect(await reports()).toHaveLength(1);
  });

  it('for a version that has been replaced is kept with the version and step that were really done', async () => {
    const versionTaskId = await bed.versionTaskId(childId);
    await bed.send(ines, childId, 1);
    expect(await bed.report(childId, { versionTaskId, step: '2' })).toMatchObject({ replaced: true });
    expect(await reports()).toMatchObject([{ version_task_id: versionTaskId, step: 2 }]);
  });

  it('for a task of another child is refused', async () => {
    const second = await bed.child(ines);
    await bed.send(ines, second);
    expect(await refusal(bed.report(childId, { versionTaskId: await bed.versionTaskId(second) }))).toBe('notFound');
    expect(await refusal(bed.report(childId, { versionTaskId: 999_999 }))).toBe('notFound');
    expect(await refusal(bed.report(childId, { versionTaskId: 'x' }))).toBe('invalid');
    expect(await refusal(bed.report(childId, { idempotencyKey: 'again' }))).toBe('invalid');
  });

  it.each([
    ['negative counts', { left: '-3' }, ['left negative']],
    ['huge counts', { right: '99999999999999999999' }, ['right tooMany']],
    ['counts that are no numbers', { left: 'five', right: '4.5' }, ['left notWhole', 'right notWhole']],
    ['a day in the future', { doneOn: '2026-10-15' }, ['doneOn futureDay']],
    ['10,000 characters', { words: 'a'.repeat(10_000) }, ['words tooLong']],
    ['a step that was not offered', { step: '6' }, ['step notAllowedStep']],
  ])('with %s is refused by field, and nothing is written', async (_name, raw, issues) => {
    expect(await issuesOf(bed.report(childId, raw))).toEqual(issues);
    expect(await reports()).toEqual([]);
  });

  it('keeps emoji, right-to-left text and markup to the letter', async () => {
    const words = '👩‍👧 عملنا ثمانية <script>alert("x")</script> \' OR 1=1; --';
    await bed.report(childId, { words });
    expect(await reports()).toMatchObject([{ words }]);
  });

  it('keeps what was seen of the things to look for; a word that is no answer is refused by its field', async () => {
    const { reportId } = await bed.report(childId, { watch_thumbUp: 'notYet', watch_whichHand: 'both' });
    expect((await viewReport(bed.context, ines, childId, reportId)).report.watched).toEqual({ thumbUp: 'notYet', whichHand: 'both' });
    await bed.report(childId, { corrects: String(reportId), watch_thumbUp: 'yes' });
    expect((await viewReport(bed.context, ines, childId, reportId)).report.watched).toEqual({ thumbUp: 'yes' });
    expect(await issuesOf(bed.report(childId, { watch_thumbUp: 'sideways' }))).toEqual(['watch_thumbUp notAChoice']);
  });

  it.each(['ill', 'missing', 'tooHard'])('may say why it was not done: %s', async (notDone) => {
    await bed.report(childId, { done: '', left: '', right: '', notDone });
    expect(await reports()).toMatchObject([{ done: 0, stop_reason: notDone }]);
  });

  it('may tell of an earlier day, and of a day that was not done', async () => {
    await bed.report(childId, { doneOn: '2026-10-12', done: 'no', left: '', right: '', stopReason: 'tired' });
    expect(await reports()).toMatchObject([{ done_on: '2026-10-12', done: 0, left_count: null, amount: null, stop_reason: 'tired' }]);
  });

  it('can be put right on the same day, with a trace, and not on the next', async () => {
    const { reportId } = await bed.report(childId, { left: '2', right: '2' });
    await bed.report(childId, { corrects: String(reportId), left: '5', right: '4' });
    expect(await reports()).toMatchObject([{ left_count: 5, right_count: 4, corrected_at: expect.any(Number) }]);
    expect(await bed.read('SELECT before_correction FROM report_corrections')).toMatchObject([
      { before_correction: { left: 2, right: 2 } },
    ]);
    bed.passDays(1);
    expect(await refusal(bed.report(childId, { corrects: String(reportId) }))).toBe('notFound');
  });

  it('counts its day in the family’s time zone, not in ours', async () => {
    bed.at(instant(Date.parse('2026-10-15T04:30:00Z'))); // half past ten in the evening of the 14th in Denver
    await bed.report(childId, { doneOn: '' });
    expect(await reports()).toMatchObject([{ done_on: '2026-10-14' }]);
    expect((await viewFamily(bed.context, await bed.newestToken(childId))).today).toBe('2026-10-14');
  });
});

describe('a private link', () => {
  it.each(['', 'short', 'x'.repeat(32), '../../etc/passwd', "' OR 1=1 -- aaaaaaaaaaaaaaaaaaaaa"])(
    'that is made up (%j) opens nothing',
    async (token) => {
      expect(await refusal(viewFamily(bed.context, token))).toBe('linkUnknown');
      expect(await refusal(submitReport(bed.context, token, { idempotencyKey: randomUUID(), versionTaskId: 1 }))).toBe('linkUnknown');
    },
  );

  it('runs out', async () => {
    const token = await bed.newestToken(childId);
    bed.passDays(LINK_DAYS - 1);
    expect((await viewFamily(bed.context, token)).child.id).toBe(childId);
    bed.passDays(1);
    expect(await refusal(viewFamily(bed.context, token))).toBe('linkExpired');
    expect(await refusal(bed.report(childId))).toBe('linkExpired');
  });

  it('holds as long as the program that it opens, and a while after: who practises on unchanged is not locked out', async () => {
    const other = await bed.child(ines);
    const draft = bed.draft();
    const long = { ...draft, endsOn: addDays(draft.startsOn, 100) };
    await sendProgram(bed.context, ines, { childId: other, expectedVersion: 0, draft: long, cautionsRead: true });
    const token = await bed.newestToken(other);
    bed.passDays(100);
    expect((await viewFamily(bed.context, token)).child.id).toBe(other);
    bed.passDays(AFTER_PROGRAM_DAYS + 1);
    expect(await refusal(viewFamily(bed.context, token))).toBe('linkExpired');
  });

  it('can be closed, and another sent', async () => {
    const closed = await bed.newestToken(childId);
    const [link] = await bed.read<{ id: number }>('SELECT id FROM family_links');
    await revokeLink(bed.context, ines, childId, link!.id);
    expect(await refusal(viewFamily(bed.context, closed))).toBe('linkRevoked');
    expect(await refusal(revokeLink(bed.context, ines, childId, link!.id))).toBe('notFound');
    await sendLinkAgain(bed.context, ines, childId);
    expect((await viewFamily(bed.context, await bed.newestToken(childId))).child.id).toBe(childId);
  });

  it('has 192 random bits, of which the database knows only a hash', async () => {
    const token = await bed.newestToken(childId);
    expect(Buffer.from(token, 'base64url')).toHaveLength(24);
    const tables = await bed.read<{ name: string }>(
      'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
    );
    for (const { name } of tables) expect(JSON.stringify(await bed.read(`SELECT * FROM ${name}`))).not.toContain(token);
    expect(await bed.read('SELECT first_opened_at FROM family_links')).toEqual([{ first_opened_at: null }]);
    await viewFamily(bed.context, token);
    expect(await bed.read('SELECT first_opened_at FROM family_links')).toEqual([{ first_opened_at: NOON }]);
  });
});
