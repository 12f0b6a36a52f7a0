import { auditChain, deleteAuditBefore, inTransaction, layAuditByMonths } from '@/db';
import { auditPartitions } from '@/db/repositories/audit/partitions';
import { tablesOf } from '@/db/work';
import type { PersonActor } from '@/server/actor';
import { runDue } from '@/server/jobs/runDue';
import { viewReview } from '@/server/review/viewReview';
import { newTestBed, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  await bed.child(ines);
});
afterEach(() => bed.close());

/** What the runner does once a day. */
async function keepTrail(): Promise<void> {
  await bed.write("INSERT INTO jobs (kind, job_key, payload, created_at, run_after) VALUES ('tidy', UUID(), '{}', NOW(3), '2000-01-01')");
  await runDue(bed.context, 'a');
}

describe('the trail', () => {
  it('is one row a look, whoever many were looked at, and is appended once by runners that work together', async () => {
    for (let count = 0; count < 5; count += 1) await bed.child(ines);
    for (let count = 0; count < 8; count += 1) await viewReview(bed.context, ines, null);
    expect(await bed.read('SELECT id FROM audit')).toEqual([]);
    await Promise.all(['a', 'b', 'c'].map((worker) => runDue(bed.context, worker)));
    expect(await bed.read('SELECT action, COUNT(*) AS count FROM audit GROUP BY action')).toEqual([{ action: 'rounds.viewed', count: 8 }]);
    expect(await bed.read('SELECT COUNT(*) AS count FROM audit_groups')).toEqual([{ count: 1 }]);
    expect(await bed.read('SELECT COUNT(*) AS count FROM audit_group_children')).toEqual([{ count: 6 }]);
  });

  it('tells of each report by a link once, by the report itself, however many runners append it', async () => {
    const child = await bed.child(ines);
    await bed.send(ines, child);
    await Promise.all(Array.from({ length: 12 }, () => bed.report(child)));
    await Promise.all(['a', 'b', 'c'].map((worker) => runDue(bed.context, worker)));
    await runDue(bed.context, 'a');
    const told = await bed.read(
      "SELECT COUNT(*) AS count, COUNT(DISTINCT a.link_id) AS links FROM audit a JOIN audit_group_children c ON c.group_id = a.group_id WHERE a.action = 'report.taken' AND c.child_id = :child",
      { child },
    );
    expect(told).toEqual([{ count: 12, links: 1 }]);
    expect(await bed.read('SELECT id FROM reports WHERE trail_due IS NOT NULL')).toEqual([]);
  });

  it('is kept as long as the workplace wishes, and no longer', async () => {
    await viewReview(bed.context, ines, null);
    await runDue(bed.context, 'a');
    await bed.write('UPDATE workplace SET audit_days = 30');
    const tidy = async () => {
      await keepTrail();
      return (await bed.read('SELECT id FROM audit')).length;
    };
    bed.passDays(29);
    expect(await tidy()).toBe(1);
    bed.passDays(2);
    await viewReview(bed.context, ines, null);
    await runDue(bed.context, 'a');
    // The new one stays; the old one is written down as gone, and the chain goes on from it.
    expect(await tidy()).toBe(1);
    expect(await bed.read('SELECT row_count AS count FROM audit_drops')).toEqual([{ count: 1 }]);
    expect(await inTransaction(bed.db, auditChain)).toMatchObject({ rows: 1, dropped: 1, fault: null });
  });

  it('keeps its last month, whoever asks for more to go', async () => {
    await viewReview(bed.context, ines, null);
    await runDue(bed.context, 'a');
    bed.passDays(28);
    await viewReview(bed.context, ines, null);
    await runDue(bed.context, 'a');
    await inTransaction(bed.db, (work) => deleteAuditBefore(work, bed.context.now(), 100, bed.context.now()));
    expect(await bed.read('SELECT id FROM audit')).toHaveLength(2);
  });

  it.each([
    ['a word of a row is changed', "UPDATE audit SET action = 'yard.viewed' WHERE id = 2", { kind: 'changed', id: 2 }],
    ['who did it is changed', 'UPDATE audit SET person_id = NULL WHERE id = 2', { kind: 'changed', id: 2 }],
    ['when it was is changed', 'UPDATE audit SET at = at + INTERVAL 1 SECOND WHERE id = 3', { kind: 'changed', id: 3 }],
    ['a row is taken out of the middle', 'DELETE FROM audit WHERE id = 2', { kind: 'changed', id: 3 }],
    ['the first row is taken out', 'DELETE FROM audit WHERE id = 1', { kind: 'changed', id: 2 }],
    ['the last row is taken out', 'DELETE FROM audit WHERE id = 3', { kind: 'end', expected: 3, found: 2 }],
    ['a row is put in', "INSERT INTO audit (at, action, numbers) VALUES (NOW(3), 'looks.viewed', '{}')", { kind: 'changed', id: 4 }],
    ['a row loses its hash', 'UPDATE audit SET chain_hash = NULL WHERE id = 2', { kind: 'changed', id: 2 }],
    ['whom it was about is changed', 'DELETE FROM audit_group_children LIMIT 1', { kind: 'children', id: 1 }],
  ])('tells where %s', async (_what, sql, fault) => {
    for (let count = 0; count < 3; count += 1) await viewReview(bed.context, ines, null);
    await runDue(bed.context, 'a');
    expect(await inTransaction(bed.db, auditChain)).toEqual({ rows: 3, unchained: 0, dropped: 0, fault: null });
    await bed.write(sql);
    expect((await inTransaction(bed.db, auditChain)).fault).toEqual(fault);
  });
});

it('a unit of work is a token outside of the database’s own folder: it opens nothing, and a made-up one is refused', async () => {
  await inTransaction(bed.db, async (work) => {
    expect(Object.keys(work)).toEqual(['isWork']);
    expect(() => tablesOf({ isWork: true })).toThrow('no unit of work');
  });
});

it('laid by months it goes on, is chained as before, and gives back the room of months that are past', async () => {
  const look = async () => {
    await viewReview(bed.context, ines, null);
    await runDue(bed.context, 'a');
  };
  await look();
  const before = await bed.read('SELECT * FROM audit ORDER BY id');
  expect(await layAuditByMonths(bed.db, bed.context.now())).toBe(true);
  expect(await layAuditByMonths(bed.db, bed.context.now())).toBe(false);
  // The clock stands in October 2026.
  expect(await auditPartitions(bed.db)).toEqual(['m2026_10', 'm2026_11', 'm2026_12', 'm2027_01', 'later']);
  expect(await bed.read('SELECT * FROM audit ORDER BY id')).toEqual(before);
  await bed.write('UPDATE workplace SET audit_days = 40');
  const chain = () => inTransaction(bed.db, auditChain);
  const tidy = async () => {
    await keepTrail();
    return auditPartitions(bed.db);
  };
  bed.passDays(35);
  await look();
  expect(await tidy()).toEqual(['m2026_10', 'm2026_11', 'm2026_12', 'm2027_01', 'm2027_02', 'later']);
  expect(await chain()).toMatchObject({ fault: null, dropped: 0 });
  const [rows] = await bed.read<{ count: number }>('SELECT COUNT(*) AS count FROM audit PARTITION (m2026_11)');
  expect(rows!.count).toBeGreaterThan(0);
  bed.passDays(40);
  await look();
  // October's rows are older than forty days, and gone; November's are, too, yet within the month before the newest row.
  expect((await tidy())[0]).not.toBe('m2026_10');
  expect(await chain()).toMatchObject({ fault: null });
  expect((await chain()).dropped).toBeGreaterThan(0);
  expect((await auditPartitions(bed.db)).slice(-2)).toEqual(['m2027_03', 'later']);
});
