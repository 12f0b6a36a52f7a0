import { deleteChild } from '@/server/students/deleteChild';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { sendProgram } from '@/server/programs/sendProgram';
import { decide } from '@/server/review/decide';
import { viewReview } from '@/server/review/viewReview';
import type { PersonActor } from '@/server/actor';
import { newTestBed, refusal, type TestBed } from './testBed';

const EVERYONE = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: false } as const;
let bed: TestBed;
let ines: PersonActor;
let marit: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  marit = await bed.person('Marit Oyelaran-Voss', 'supervisor');
  childId = await bed.child(ines);
  await bed.share(childId, marit, 'shared');
  await bed.send(ines, childId);
});
afterEach(() => bed.close());

const makeReady = async () => {
  for (let count = 0; count < 3; count += 1) {
    await bed.report(childId);
    bed.passDays(1);
  }
};
const versions = () => bed.read<{ number: number }>('SELECT number FROM program_versions ORDER BY number');

describe('two people at once', () => {
  it('regrading: one makes the next version, the other is told, nothing is overwritten', async () => {
    await makeReady();
    const here = (await viewReview(bed.context, ines, null)).here!;
    const input = { childId, key: here.decision.key, answer: 'up', expectedVersion: here.program.number };
    const answers = await Promise.all([refusal(decide(bed.context, ines, input)), refusal(decide(bed.context, marit, input))]);
    expect(answers.sort()).toEqual(['not refused', 'staleDecision']);
    expect(await versions()).toHaveLength(2);
    expect(await bed.read('SELECT to_step FROM grade_changes WHERE version_number = 2')).toEqual([{ to_step: 4 }]);
  });

  it('sending: the second one is told which version is in force now', async () => {
    const send = (actor: PersonActor) =>
      sendProgram(bed.context, actor, { childId, expectedVersion: 1, draft: bed.draft(), cautionsRead: true });
    const answers = await Promise.all([refusal(send(ines)), refusal(send(marit))]);
    expect(answers.sort()).toEqual(['not refused', 'staleVersion']);
    expect(await versions()).toHaveLength(2);
  });

  it('one regrades while the other had the builder open: the builder is told', async () => {
    await makeReady();
    const here = (await viewReview(bed.context, ines, null)).here!;
    await decide(bed.context, ines, { childId, key: here.decision.key, answer: 'up', expectedVersion: 1 });
    expect(await refusal(bed.send(marit, childId, 1))).toBe('staleVersion');
    expect(await versions()).toHaveLength(2);
  });

  it('a decision looked at under an older version does not regrade the newer one', async () => {
    await makeReady();
    const here = (await viewReview(bed.context, ines, null)).here!;
    expect(await refusal(decide(bed.context, ines, { childId, key: here.decision.key, answer: 'up', expectedVersion: 0 }))).toBe(
      'staleVersion',
    );
    expect(await bed.read('SELECT id FROM decisions')).toEqual([]);
  });
});

describe('sending', () => {
  it('is refused with its findings while something has to be mended', async () => {
    const draft = bed.draft(['cut-the-planks']);
    const forbidden = await bed.child(ines, { scissorsAllowed: false });
    const send = sendProgram(bed.context, ines, { childId: forbidden, expectedVersion: 0, draft, cautionsRead: true });
    await expect(send).rejects.toMatchObject({
      code: 'invalid',
      detail: {
        findings: expect.arrayContaining([
          expect.objectContaining({ code: 'safety', finding: expect.objectContaining({ rule: 'scissorsNotAllowed', severity: 'block' }) }),
        ]),
      },
    });
    expect(await bed.read('SELECT id FROM programs WHERE child_id = :forbidden', { forbidden })).toEqual([]);
  });

  it('waits until the cautions were read', async () => {
    const send = (cautionsRead: boolean) =>
      sendProgram(bed.context, ines, { childId, expectedVersion: 1, draft: bed.draft(), cautionsRead });
    await expect(send(false)).rejects.toMatchObject({ detail: { cautionsUnread: true } });
    expect(await send(true)).toEqual({ versionNumber: 2 });
  });

  it('refuses what has not the form of a draft, naming each place', async () => {
    const send = sendProgram(bed.context, ines, {
      childId,
      expectedVersion: 1,
      draft: { ...bed.draft(), endsOn: 'soon' },
      cautionsRead: true,
    });
    await expect(send).rejects.toMatchObject({ detail: { issues: [{ path: 'draft.endsOn' }] } });
  });
});

describe('deleting a child', () => {
  it('asks for the name, takes all that speaks of the child, and leaves the trail as a number', async () => {
    await bed.report(childId);
    expect(await refusal(deleteChild(bed.context, ines, childId, 'odalys'))).toBe('invalid');
    expect(await deleteChild(bed.context, ines, childId, 'Odalys V.')).toEqual({ reports: 1, versions: 1, messages: 1 });
    for (const table of [
      'children',
      'child_access',
      'programs',
      'program_versions',
      'version_tasks',
      'reports',
      'messages',
      'family_links',
      'grade_changes',
      'decisions',
      'stop_lifts',
      'family_notes',
      'report_readers',
    ]) {
      expect([table, await bed.read(`SELECT * FROM ${table}`)]).toEqual([table, []]);
    }
    await bed.runJobs();
    expect(await bed.phone(childId)).toEqual([]);
    const trail = await bed.read<{ action: string; numbers: object }>(
      'SELECT a.action, a.numbers FROM audit a JOIN audit_group_children c ON c.group_id = a.group_id WHERE c.child_id = :childId ORDER BY a.id DESC LIMIT 2',
      { childId },
    );
    // The report was not in the trail yet when it went with the child.
    expect(trail).toEqual([
      { action: 'child.deleted', numbers: { reports: 1, versions: 1, messages: 1 } },
      { action: 'report.taken', numbers: {} },
    ]);
    expect(JSON.stringify(await bed.read('SELECT * FROM audit'))).not.toContain('Odalys');
  });
});

describe('screens ask in a constant number of queries', () => {
  const queriesOf = async (job: () => Promise<unknown>): Promise<number> => {
    let count = 0;
    const { options } = bed.db.sequelize as unknown as { options: { logging: false | ((sql: string) => void) } };
    options.logging = (sql) => {
      if (!/START TRANSACTION|COMMIT|SET SESSION/.test(sql)) count += 1;
    };
    await job();
    options.logging = false;
    return count;
  };

  it('however many children there are', async () => {
    const yard = () => viewCaseload(bed.context, ines, EVERYONE);
    const rounds = () => viewReview(bed.context, ines, null);
    await yard();
    const [caseloadOfOne, reviewOfOne] = [await queriesOf(yard), await queriesOf(rounds)];
    for (let count = 0; count < 7; count += 1) await bed.send(ines, await bed.child(ines));
    expect([await queriesOf(yard), await queriesOf(rounds)]).toEqual([caseloadOfOne, reviewOfOne]);
    // What waits in Rounds is told in the Yard: its questions are asked there, too.
    expect(caseloadOfOne).toBeLessThanOrEqual(23);
  });
});
