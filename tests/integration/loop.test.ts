import { loadLibrary } from '../../library/loadLibrary';
import { decide } from '@/server/review/decide';
import { undoDecision } from '@/server/review/undoDecision';
import { viewReview } from '@/server/review/viewReview';
import { viewChild } from '@/server/students/viewChild';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { viewContents } from '@/server/tasks/viewContents';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { viewFamily } from '@/server/reports/viewFamily';
import { sendProgram } from '@/server/programs/sendProgram';
import { viewMessages } from '@/server/messages/viewMessages';
import type { PersonActor } from '@/server/actor';
import { newTestBed, refusal, type TestBed } from './testBed';

const EVERYONE = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: false } as const;

describe('the loop: plan, send, do, report, decide, regrade', () => {
  let bed: TestBed;
  let ines: PersonActor;
  let childId: number;

  beforeAll(async () => {
    bed = await newTestBed();
    ines = await bed.person('Ines Calloway-Brandt');
    childId = await bed.child(ines);
  });
  afterAll(() => bed.close());

  const openDecision = async () => (await viewReview(bed.context, ines, null)).here;
  const settle = async (answer: string, reason = '', more: Record<string, string> = {}) => {
    const here = (await openDecision())!;
    return decide(bed.context, ines, { childId, key: here.decision.key, answer, reason, expectedVersion: here.program.number, ...more });
  };

  it('starts with a builder that has the library and nothing placed', async () => {
    const view = await viewBuilder(bed.context, ines, childId);
    expect(view).toMatchObject({ currentVersion: 0, draft: { tasks: [] } });
    const library = await viewContents(bed.context, ines);
    expect([library.tasks.length, library.key]).toEqual([loadLibrary().length, view.libraryKey]);
  });

  it('freezes version 1 and puts a message with a private link in the post', async () => {
    await bed.send(ines, childId);
    await bed.runJobs();
    const post = await viewMessages(bed.context, ines, { phoneOf: childId, search: '' });
    expect(post.messages).toMatchObject([{ status: 'handedOver', words: expect.stringContaining('{link}') }]);
    expect(post.phone!.texts[0]!.text).toMatch(/^Yard Steps: hay un nuevo plan de práctica\. .*http:\/\/yard\.test\/f\/[A-Za-z0-9_-]{32}$/);
    expect(post.phone!.texts[0]!.text).not.toContain('Odalys');
  });

  it('shows the family its day in the family’s own time zone', async () => {
    const view = await viewFamily(bed.context, await bed.newestToken(childId));
    expect(view.today).toBe('2026-10-14');
    expect(view.tasks.map(({ task }) => task.content.slug)).toEqual(['open-the-shutters', 'crane-lift']);
  });

  it('takes three reached sessions on three days, and then suggests a step up with its evidence', async () => {
    for (let count = 0; count < 3; count += 1) {
      expect((await openDecision())?.decision.kind).not.toBe('ready');
      await bed.report(childId);
      bed.passDays(1);
    }
    expect((await openDecision())!.decision).toMatchObject({
      kind: 'ready',
      suggestion: { move: 'up', toStep: 4, evidence: { reachedInARow: 3, reachedOnDays: 3 } },
    });
    expect((await openDecision())!.reports).toHaveLength(3);
  });

  it('never applies a suggestion by itself', async () => {
    const view = await viewChild(bed.context, ines, childId);
    expect(view.program).toMatchObject({ number: 1 });
    expect(view.timelines.find(({ task }) => task.content.slug === 'crane-lift')!.task.step).toBe(3);
  });

  it('asks for a reason when the therapist goes another way', async () => {
    expect(await refusal(settle('hold'))).toBe('reasonNeeded');
  });

  it('makes the next version of an accepted step, records who, when and why, and tells the family', async () => {
    await settle('up');
    const view = await viewChild(bed.context, ines, childId);
    expect(view.program).toMatchObject({ number: 2 });
    expect(view.program!.tasks.find((task) => task.content.slug === 'crane-lift')).toMatchObject({
      step: 4,
      chooseFrom: 3,
      chooseTo: 5,
      stepSinceVersion: 2,
    });
    expect(view.changes[0]).toMatchObject({
      fromStep: 3,
      toStep: 4,
      changedBy: 'Ines Calloway-Brandt',
      cause: 'suggestion',
      reason: '',
      suggestion: { evidence: { reachedInARow: 3, reachedOnDays: 3 } },
      versionNumber: 2,
    });
    expect(view.messages[0]).toMatchObject({ kind: 'newStep', status: 'waiting' });
    await bed.runJobs();
    expect((await viewChild(bed.context, ines, childId)).messages[0]).toMatchObject({ kind: 'newStep', status: 'handedOver' });
    expect((await openDecision())?.decision.kind ?? 'nothing').not.toBe('ready');
  });

  it('never changes what was sent: version 1 stands as it stood', async () => {
    const rows = await bed.read<{ number: number; step: number }>(
      `SELECT v.number, t.step FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN tasks k ON k.id = t.task_id WHERE k.slug = 'crane-lift' ORDER BY v.number`,
    );
    expect(rows).toEqual([
      { number: 1, step: 3 },
      { number: 2, step: 4 },
    ]);
    expect(
      await bed.read(
        'SELECT DISTINCT v.number FROM reports r JOIN version_tasks t ON t.id = r.version_task_id JOIN program_versions v ON v.id = t.program_version_id',
      ),
    ).toEqual([{ number: 1 }]);
  });

  it('takes a decision back: a third version with the step as it was, and the decision open again', async () => {
    const { settledToday } = await viewReview(bed.context, ines, null);
    await undoDecision(bed.context, ines, settledToday.at(-1)!.id);
    const view = await viewChild(bed.context, ines, childId);
    expect(view.program).toMatchObject({ number: 3 });
    expect(view.program!.tasks.find((task) => task.content.slug === 'crane-lift')).toMatchObject({
      step: 3,
      chooseFrom: 2,
      stepSinceVersion: 1,
    });
    expect(view.changes[0]).toMatchObject({ fromStep: 4, toStep: 3, cause: 'takenBack' });
    expect((await openDecision())!.decision.kind).toBe('ready');
    expect(await refusal(undoDecision(bed.context, ines, settledToday.at(-1)!.id))).toBe('staleDecision');
  });

  it('keeps a declined suggestion declined until there is new evidence', async () => {
    await settle('hold', 'I saw the child do it');
    expect((await openDecision())?.decision.kind).not.toBe('ready');
    await bed.report(childId);
    expect((await openDecision())!.decision).toMatchObject({ kind: 'ready', suggestion: { evidence: { reachedInARow: 4 } } });
  });

  it('puts a decision off until its day', async () => {
    await settle('later');
    expect((await openDecision())?.decision.kind).not.toBe('ready');
    bed.passDays(2);
    expect((await openDecision())!.decision.kind).toBe('ready');
  });

  it('suggests a step down after two struggled, and takes it', async () => {
    await bed.report(childId, { left: '1', right: '1' });
    bed.passDays(1);
    await bed.report(childId, { left: '5', right: '5', effort: 'tooHard' });
    expect((await openDecision())!.decision).toMatchObject({ kind: 'tooHard', suggestion: { toStep: 2 } });
    await settle('down');
    expect((await viewChild(bed.context, ines, childId)).program!.tasks.find((task) => task.content.slug === 'crane-lift')!.step).toBe(2);
  });

  it('holds everything for the task while it is closed, and goes on when the stop is lifted: what hurt is no evidence', async () => {
    for (let count = 0; count < 4; count += 1) {
      bed.passDays(1);
      await bed.report(childId, { hurt: count === 0 ? 'on' : '', words: count === 0 ? 'the thumb hurt' : '' });
    }
    const open = (await viewReview(bed.context, ines, null)).open.map((decision) => decision.kind);
    expect(open).toContain('safetyWord');
    expect(open).not.toContain('ready');
    await settle('lifted', '', { found: 'nothing to see' });
    expect((await viewReview(bed.context, ines, null)).open.map((decision) => decision.kind)).toContain('ready');
  });

  it('goes on with the same evidence when a program is sent again with the same step', async () => {
    const before = await viewBuilder(bed.context, ines, childId);
    await sendProgram(bed.context, ines, { childId, expectedVersion: before.currentVersion, draft: before.draft, cautionsRead: true });
    expect((await viewReview(bed.context, ines, null)).open.map((decision) => decision.kind)).toContain('ready');
  });

  it('shows it all in the yard', async () => {
    const { groups } = await viewCaseload(bed.context, ines, EVERYONE);
    expect(groups[0]!.rows[0]).toMatchObject({ name: 'Odalys V.', daysSinceWord: 0 });
    expect(groups[0]!.rows[0]!.practice.adherence.knownDone).toBeGreaterThan(4);
  });

  it('wrote an audit row for every look and every change', async () => {
    await bed.runJobs();
    const rows = await bed.read<{ action: string; count: number }>(
      'SELECT a.action, COUNT(*) AS count FROM audit a JOIN audit_group_children c ON c.group_id = a.group_id WHERE c.child_id = :childId GROUP BY a.action',
      { childId },
    );
    const count = Object.fromEntries(rows.map((row) => [row.action, row.count]));
    expect(Object.keys(count)).toEqual(
      expect.arrayContaining([
        'builder.viewed',
        'program.sent',
        'post.viewed',
        'family.viewed',
        'report.taken',
        'rounds.viewed',
        'child.viewed',
        'yard.viewed',
        'decision.up',
        'decision.undone',
        'decision.lifted',
      ]),
    );
    expect(count['report.taken']).toBe(10);
  });
});
