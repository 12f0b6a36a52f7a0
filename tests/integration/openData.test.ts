import { randomUUID } from 'node:crypto';
import { instant } from '@/core/calendar';
import { OPEN_TABLE_NAMES, OPEN_TABLES, writeOpenCsv } from '@/formats';
import { pageSchema } from '@/formats/openData/rowSchema';
import { readOpenCsv } from '../fixtures/readOpenCsv';
import type { PersonActor } from '@/server/actor';
import { makeApiKey, openApiByKey, readByKey, cancelApiKey } from '@/server/exchange/apiKeys';
import { policyForFile, previewPolicy, importPolicy } from '@/server/exchange/policyPack';
import { tableForFile } from '@/server/exchange/tablesForFile';
import { viewData } from '@/server/exchange/viewData';
import { writeGoal } from '@/server/goals/writeGoal';
import { schoolYearForFile } from '@/server/settings/schoolYear';
import { viewSettings } from '@/server/settings/workplace';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let supervisor: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  supervisor = await bed.person('Ottilie Marsh', 'supervisor');
  childId = await bed.child(ines, { likes: '=cranes', helpers: 'abuela' });
  await bed.send(ines, childId);
  for (let index = 0; index < 5; index += 1)
    await bed.report(childId, { idempotencyKey: randomUUID(), words: `=${index} "so"`, saidBy: 'abuela' });
  await bed.write('UPDATE reports SET amount = 7.5, left_count = NULL, right_count = NULL WHERE id = (SELECT MAX(id) FROM reports)');
  await bed.write(
    `INSERT INTO measurements (child_id, entry_key, measured_on, good, trials, watched, note, measured_by, created_at)
     VALUES (:childId, UUID(), '2026-10-13', 6, 10, '{}', '@school', :by, '2026-10-13 18:00:00')`,
    { childId, by: ines.personId },
  );
  await bed.write(
    `INSERT INTO kit_bags (child_id, week, version, things, packed_by, packed_at) VALUES (:childId, '2026-10-12', 1, :things, :by, '2026-10-12 15:00:00')`,
    {
      childId,
      by: ines.personId,
      things: JSON.stringify([
        { thing: 'paper', count: 4, comesBack: false },
        { thing: 'tongs', count: 1, comesBack: true },
      ]),
    },
  );
  const measure = { kind: 'count', of: 10, from: 3, to: 8, baselineOn: '2026-09-01' };
  const goal = {
    skill: 'forceModulation',
    statement: 'Carries pegs with tongs',
    measure,
    mostHelp: 'words',
    sessions: 3,
    reviewOn: '2026-12-11',
    taskIds: [],
  };
  await writeGoal(bed.context, ines, { childId, goalId: null, seenVersion: 0, why: '', goal });
});
afterEach(() => bed.close());

describe('tables of the children whom somebody leads', () => {
  it.each([
    ['reports', 5],
    ['goals', 1],
    ['measurements', 1],
    ['roster', 1],
    ['kits', 2],
  ] as const)('%s leave as CSV and are read back as the same rows', async (table, count) => {
    const { text } = await tableForFile(bed.context, ines, { table });
    const read = readOpenCsv(OPEN_TABLES[table], text);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(read.rows).toHaveLength(count);
    expect(read.rows.every((row) => row.childId === childId)).toBe(true);
    expect(writeOpenCsv(OPEN_TABLES[table], read.rows)).toBe(text);
  });

  it('say what is in the record, by another way of looking', async () => {
    const rows = async (table: (typeof OPEN_TABLE_NAMES)[number]) => {
      const read = readOpenCsv(OPEN_TABLES[table], (await tableForFile(bed.context, ines, { table })).text);
      return read.ok ? read.rows : [];
    };
    const stored = await bed.read<{ id: number; words: string; left: number; doneOn: string }>(
      'SELECT id, words, left_count AS `left`, CAST(done_on AS CHAR) AS doneOn FROM reports ORDER BY id',
    );
    expect((await rows('reports')).map(({ id, words, left, doneOn }) => ({ id, words, left, doneOn }))).toEqual(stored);
    expect((await rows('reports'))[0]).toMatchObject({
      child: 'Odalys V.',
      task: 'Crane lift',
      slug: 'crane-lift',
      done: true,
      help: 'alone',
      way: 'link',
    });
    expect((await rows('reports')).at(-1)).toMatchObject({ amount: 7.5, left: null });
    expect(await rows('goals')).toMatchObject([
      { from: 3, to: 8, of: 10, measure: 'count', mostHelp: 'words', closedOn: null, versions: 1 },
    ]);
    expect(await rows('kits')).toMatchObject([
      { thing: 'paper', count: 4, comesBack: false },
      { thing: 'tongs', count: 1, comesBack: true, handedAt: null },
    ]);
    expect(await rows('roster')).toMatchObject([{ likes: '=cranes', bornOn: '2021-08-12', mouthsThings: false }]);
  });

  it('carry the injury flag with its words, and by key the flag without them', async () => {
    await bed.report(childId, { idempotencyKey: randomUUID(), hurt: 'on', words: 'The tongs pinched her finger' });
    const read = readOpenCsv(OPEN_TABLES.reports, (await tableForFile(bed.context, ines, { table: 'reports' })).text);
    const rows = read.ok ? read.rows : [];
    expect(rows.at(-1)).toMatchObject({ injury: 'told', mistake: false, onHold: true, words: 'The tongs pinched her finger' });
    expect(rows[0]).toMatchObject({ injury: null, mistake: false, onHold: false });
    const { key } = await makeApiKey(bed.context, supervisor, { name: 'Board report', days: 30 });
    const byKey = (await readByKey(bed.context, key, 'reports', {})).rows.at(-1)!;
    expect(byKey).toMatchObject({ injury: 'told', onHold: true });
    expect(byKey).not.toHaveProperty('words');
  });

  it('are of nobody else’s children, and ask for the password', async () => {
    const other = await bed.person('Bram Oduya');
    await bed.share(childId, other, 'shared');
    const { text } = await tableForFile(bed.context, other, { table: 'reports' });
    expect(text.trim().split('\r\n')).toHaveLength(1);
    expect(await refusal(tableForFile(bed.context, { ...ines, confirmedUntil: instant(0) }, { table: 'reports' }))).toBe('confirmNeeded');
    expect(await refusal(tableForFile(bed.context, ines, { table: 'people' }))).toBe('invalid');
    await bed.runJobs();
    const trail = await bed.read<{ numbers: unknown }>("SELECT numbers FROM audit WHERE action = 'data.exported'");
    expect(trail).toHaveLength(1);
  });
});

describe('reading by key', () => {
  const make = async (days = 30) => (await makeApiKey(bed.context, supervisor, { name: 'Board report', days })).key;

  it('is shut while there is no key, and opens for the one that was made, until it is over or taken back', async () => {
    expect(await refusal(readByKey(bed.context, null, 'reports', {}))).toBe('notFound');
    expect(await refusal(readByKey(bed.context, 'x'.repeat(32), 'reports', {}))).toBe('notFound');
    const key = await make(30);
    expect(await refusal(readByKey(bed.context, null, 'reports', {}))).toBe('keyUnknown');
    expect(await refusal(readByKey(bed.context, 'x'.repeat(32), 'reports', {}))).toBe('keyUnknown');
    expect((await readByKey(bed.context, key, 'reports', {})).rows).toHaveLength(5);
    expect(await refusal(readByKey(bed.context, key, 'people', {}))).toBe('notFound');
    expect(await refusal(readByKey(bed.context, key, 'constructor', {}))).toBe('notFound');
    const second = await make(60);
    const [kept] = (await viewData(bed.context, supervisor)).keys!;
    await cancelApiKey(bed.context, supervisor, kept!.id);
    expect(await refusal(readByKey(bed.context, key, 'reports', {}))).toBe('keyUnknown');
    bed.passDays(61);
    expect(await refusal(readByKey(bed.context, second, 'reports', {}))).toBe('notFound');
    expect(await bed.read('SELECT id FROM api_keys WHERE key_hash IN (:keys)', { keys: [key, second] })).toEqual([]);
  });

  it.each(OPEN_TABLE_NAMES)('gives %s page by page, each row once, as the published schema says, and names nobody', async (table) => {
    const key = await make();
    const whole = await readByKey(bed.context, key, table, { most: '500' });
    expect(pageSchema(OPEN_TABLES[table]).safeParse(whole).error?.issues ?? []).toEqual([]);
    expect(whole.rows.length).toBeGreaterThan(0);
    expect(/Odalys|abuela|so"|@school|Calloway|tongs and|2021-08-12|cranes/.test(JSON.stringify(whole))).toBe(false);
    const paged = [];
    for (let after: number | null = 0; after !== null;) {
      const page = await readByKey(bed.context, key, table, { after: String(after), most: '1' });
      paged.push(...page.rows);
      after = page.next;
    }
    expect(paged).toEqual(whole.rows);
  });

  it('refuses what can’t be asked, and more than sixty pages a minute; each page is written down', async () => {
    const key = await make();
    for (const options of [{ most: '501' }, { most: '0' }, { after: '-1' }, { after: 'x' }])
      expect(await refusal(readByKey(bed.context, key, 'goals', options))).toBe('invalid');
    for (let index = 4; index < 60; index += 1) await readByKey(bed.context, key, 'goals', {});
    expect(await refusal(readByKey(bed.context, key, 'goals', {}))).toBe('tooManyTries');
    bed.at(instant(bed.context.now() + 61_000));
    expect(await openApiByKey(bed.context, key)).toMatchObject({ openapi: '3.1.0', paths: { '/reports': {} } });
    await bed.runJobs();
    const [row] = await bed.read<{ count: number }>("SELECT COUNT(*) AS count FROM audit WHERE action = 'data.readByKey'");
    expect(row!.count).toBe(61);
  });

  it('is a supervisor’s to open, with the password', async () => {
    expect(await refusal(makeApiKey(bed.context, ines, { name: 'x', days: 3 }))).toBe('notAllowed');
    expect(await refusal(makeApiKey(bed.context, { ...supervisor, confirmedUntil: instant(0) }, { name: 'x', days: 3 }))).toBe(
      'confirmNeeded',
    );
    expect(await refusal(makeApiKey(bed.context, supervisor, { name: '', days: 3 }))).toBe('invalid');
    expect(await refusal(makeApiKey(bed.context, supervisor, { name: 'x', days: 367 }))).toBe('invalid');
    expect(await refusal(cancelApiKey(bed.context, ines, 1))).toBe('notAllowed');
    expect(await refusal(cancelApiKey(bed.context, supervisor, 4711))).toBe('notFound');
    expect((await viewData(bed.context, ines)).keys).toBeNull();
  });
});

describe('the rules of a workplace', () => {
  it('leave as a pack, are looked at, and are taken over as a whole', async () => {
    const text = await policyForFile(bed.context, supervisor);
    expect(await previewPolicy(bed.context, supervisor, text)).toMatchObject({ ok: true, differences: [] });
    const changed = JSON.parse(text) as { policy: Record<string, Record<string, unknown>> };
    changed.policy.keeping!.auditDays = 400;
    changed.policy.signIn!.idleMinutes = 30;
    changed.policy.suggestions!.rule = 'band';
    const pack = JSON.stringify(changed);
    const seen = await previewPolicy(bed.context, supervisor, pack);
    expect(seen.ok && seen.differences.map(({ path, to }) => [path, to])).toEqual([
      ['suggestions.rule', 'band'],
      ['keeping.auditDays', 400],
      ['signIn.idleMinutes', 30],
    ]);
    await importPolicy(bed.context, supervisor, pack);
    expect(await viewSettings(bed.context, supervisor)).toMatchObject({ auditDays: 400, idleMinutes: 30, advancingRule: 'band' });
    expect(JSON.parse(await policyForFile(bed.context, supervisor))).toEqual(changed);
    await bed.runJobs();
    expect(await bed.read("SELECT id FROM audit WHERE action = 'settings.changed'")).toHaveLength(3);
  });

  it('that say how people sign in or how long records are kept are a supervisor’s to take; a broken pack changes nothing', async () => {
    const text = await policyForFile(bed.context, ines);
    expect(await previewPolicy(bed.context, ines, text)).toMatchObject({ ok: true, mayTake: false });
    expect(await refusal(importPolicy(bed.context, ines, text))).toBe('notAllowed');
    const { signIn, keeping, ...rest } = (JSON.parse(text) as { policy: Record<string, object> }).policy;
    for (const part of [{ signIn }, { keeping }])
      expect(await refusal(importPolicy(bed.context, ines, JSON.stringify({ ...JSON.parse(text), policy: part })))).toBe('notAllowed');
    const pack = {
      format: 'yard-steps-policy-pack',
      version: 1,
      name: 'Ours',
      policy: { ...rest, families: { postMinutes: 5, languages: ['en'] } },
    };
    expect(await refusal(importPolicy(bed.context, { ...ines, confirmedUntil: instant(0) }, JSON.stringify(pack)))).toBe('confirmNeeded');
    await importPolicy(bed.context, ines, JSON.stringify(pack));
    expect(await viewSettings(bed.context, ines)).toMatchObject({ postMinutes: 5, languages: ['en'] });
    expect(await refusal(importPolicy(bed.context, ines, JSON.stringify({ ...pack, policy: { keeping: { auditDays: 1 } } })))).toBe(
      'invalid',
    );
    expect(await previewPolicy(bed.context, ines, '{')).toMatchObject({ ok: false, faults: [{ path: '' }] });
    const assistant = await bed.person('Pilar', 'assistant');
    expect(await refusal(policyForFile(bed.context, assistant))).toBe('notAllowed');
    expect(await refusal(previewPolicy(bed.context, assistant, text))).toBe('notAllowed');
  });
});

it('a school year leaves as a calendar, where one is set', async () => {
  expect(await refusal(schoolYearForFile(bed.context, ines))).toBe('notFound');
  await bed.write("INSERT INTO school_years (first_day, last_day) VALUES ('2026-08-17', '2027-05-28')");
  expect(await schoolYearForFile(bed.context, ines)).toContain('DTSTART;VALUE=DATE:20270528');
});
