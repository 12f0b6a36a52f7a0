import { randomUUID } from 'node:crypto';
import { appendFileSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { auditChain, childrenOf, giveUpAllWaiting, inTransaction, openDatabase, WHOLE_TABLES, type Database } from '@/db';
import { ExportFolder } from '@/outside/exportFolder';
import { FolderMedia } from '@/outside/folderMedia';
import type { PersonActor } from '@/server/actor';
import { checkExport, exportWhole, importWhole, type ImportRefusal } from '@/server/exchange/wholeWorkplace';
import { takeClip } from '@/server/videos/takeClip';
import { writeGoal } from '@/server/goals/writeGoal';
import { tryMessageAgain } from '@/server/messages/tryAgain';
import { viewFamily } from '@/server/reports/viewFamily';
import { rowsOf, runSql } from '../../scripts/sql';
import { copyOfSchema } from './templateDatabase';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let childId: number;
let token: string;
let first: string;
const folders: string[] = [];
const databases: Database[] = [];

const newFolder = () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'yard-export-'));
  folders.push(folder);
  return folder;
};
const newDatabase = async () => {
  const db = openDatabase(await copyOfSchema(), { max: 2 });
  databases.push(db);
  return db;
};
const filesIn = (folder: string) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((each) => each.isFile())
    .map((each) => path.relative(folder, path.join(each.parentPath, each.name)))
    .sort();
const linesOf = (folder: string, table: string) =>
  readFileSync(path.join(folder, 'tables', `${table}.jsonl`), 'utf8')
    .split('\n')
    .filter(Boolean);

/** What people write: letters of any language, line ends, quotes, what another program takes for its own. */
const WORDS = fc
  .sample(fc.string({ unit: 'binary', maxLength: 60 }), { numRuns: 60, seed: 19 })
  // Half of a letter's pair is no text: what comes in by a form never has one.
  .map((text) => Buffer.from(text, 'utf8').toString('utf8'));
const HARD = ['=1+1', "'=1", '\u2028\u2029', '"\\n\r\n', '{"a":1}', 'é ñ ü ¿ ¡ 🧷', 'null', 'NULL', '0', ' ', 'مشبك', '﻿x'];

beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines, { likes: HARD.join(' ').slice(0, 80), allergies: ['wheat: "rash"', '=1'] });
  await bed.send(ines, childId);
  token = await bed.newestToken(childId);
  await writeGoal(bed.context, ines, {
    childId,
    goalId: null,
    seenVersion: 0,
    goal: {
      skill: 'forceModulation',
      statement: 'Carries pegs with tongs; "none" drops',
      measure: { kind: 'count', of: 10, from: 3, to: 8.5, baselineOn: '2026-09-01' },
      mostHelp: 'words',
      sessions: 3,
      reviewOn: '2026-12-11',
      taskIds: [],
    },
    why: HARD[5],
  });
  for (const words of [...HARD, ...WORDS]) {
    await bed.report(childId, { idempotencyKey: randomUUID(), words, saidBy: 'abuela' });
    if (HARD.indexOf(words) % 4 === 3) bed.passDays(1);
  }
  await takeClip(
    bed.context,
    ines,
    {
      childId,
      slug: 'crane-lift',
      step: 2,
      idempotencyKey: randomUUID(),
      facts: {
        hand: 'right',
        mayMirror: true,
        consent: 'nobody',
        consentWords: '',
        keptDays: 90,
        captions: [],
        fromSeconds: 0,
        toSeconds: null,
        isMuted: false,
      },
    },
    [readFileSync('tests/fixtures/clips/tone.webm')],
  );
  await bed.runJobs();
  first = newFolder();
  await exportWhole(bed.db, bed.context.media, new ExportFolder(first));
}, 60_000);
afterAll(async () => {
  for (const db of databases) await db.close();
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
  await bed.close();
});

/** Into an empty database and an empty folder of media. */
async function bringIn(from: string, db: Database) {
  const media = new FolderMedia(newFolder());
  const source = new ExportFolder(from);
  await importWhole(db, media, source, await checkExport(source));
  return media;
}

describe('everything that a workplace made', () => {
  it('goes out, in and out again as the same bytes', async () => {
    const db = await newDatabase();
    const media = await bringIn(first, db);
    const second = newFolder();
    await exportWhole(db, media, new ExportFolder(second));
    const names = filesIn(first);
    expect(names.length).toBeGreaterThan(WHOLE_TABLES.length + 3);
    expect(filesIn(second)).toEqual(names);
    for (const name of names)
      expect([name, readFileSync(path.join(second, name)).equals(readFileSync(path.join(first, name)))]).toEqual([name, true]);
    // Each word as it was written, by another way of looking.
    const words = new Set(linesOf(second, 'reports').map((line) => (JSON.parse(line) as { words: string }).words));
    const stored = await bed.read<{ words: string }>('SELECT words FROM reports');
    expect(stored.filter(({ words: each }) => !words.has(each))).toEqual([]);
    expect(stored.length).toBeGreaterThan(60);
  }, 60_000);

  it('works where it was brought in: screens show it, the trail is unbroken, no link opens', async () => {
    const db = await newDatabase();
    await bringIn(first, db);
    const there = { ...bed.context, db, owner: db };
    expect((await inTransaction(db, (work) => childrenOf(work, ines.personId))).map(({ child }) => child.id)).toContain(childId);
    expect(await inTransaction(db, auditChain)).toMatchObject({ fault: null });
    expect(await refusal(viewFamily(there, token))).toBe('linkUnknown');
    const [open] = await rowsOf<{ count: number }>(db, "SELECT COUNT(*) AS count FROM people WHERE password_hash = '-'");
    expect(open!.count).toBe(0);
  }, 60_000);

  it('gives up what waited to be sent, which has no job there, and lets a person try again', async () => {
    const db = await newDatabase();
    await bringIn(first, db);
    const [message] = await rowsOf<{ id: number }>(db, 'SELECT MIN(id) AS id FROM messages WHERE child_id = :childId', { childId });
    await runSql(db, "UPDATE messages SET status = 'waiting' WHERE id = :id", message!);
    expect(await inTransaction(db, giveUpAllWaiting)).toBe(1);
    expect(await inTransaction(db, giveUpAllWaiting)).toBe(0);
    const there = { ...bed.context, db, owner: db };
    await tryMessageAgain(there, ines, childId, message!.id);
    const jobs = await rowsOf(db, "SELECT job_key AS jobKey FROM jobs WHERE kind = 'deliver'");
    expect(jobs).toEqual([{ jobKey: `deliver:${message!.id}` }]);
  }, 60_000);

  it('holds nothing that opens a door, and says of every table and column what it is', async () => {
    const all = filesIn(first)
      .filter((name) => !name.startsWith('media'))
      .map((name) => readFileSync(path.join(first, name), 'utf8'))
      .join('\n');
    const secrets = await bed.read<{ hash: string; salt: string }>('SELECT token_hash AS hash, token_salt AS salt FROM family_links');
    expect(secrets.length).toBeGreaterThan(0);
    for (const { hash, salt } of secrets) expect([all.includes(hash), all.includes(salt)]).toEqual([false, false]);
    expect(/password_hash|token_salt|factor_secret/.test(all)).toBe(false);
    const rows = (name: string) => parse(readFileSync(path.join(first, name)), { bom: true, columns: true }) as Record<string, string>[];
    expect(
      rows('tables.csv')
        .map(({ table }) => table!)
        .sort(),
    ).toEqual([...WHOLE_TABLES].sort());
    expect(rows('tables.csv').every((row) => row['what it holds']!.length > 5)).toBe(true);
    for (const table of WHOLE_TABLES) {
      const [line] = linesOf(first, table);
      const told = rows('columns.csv').filter((row) => row.table === table);
      if (line) expect(Object.keys(JSON.parse(line) as object)).toEqual(told.map(({ column }) => column));
    }
    expect(rows('columns.csv').find(({ table, column }) => table === 'reports' && column === 'child_id')).toMatchObject({
      'refers to': 'children.id',
    });
  });
});

describe('an export that is not whole', () => {
  const copy = () => {
    const folder = newFolder();
    for (const name of filesIn(first)) {
      const place = path.join(folder, name);
      if (!existsSync(path.dirname(place))) mkdirSync(path.dirname(place), { recursive: true });
      writeFileSync(place, readFileSync(path.join(first, name)));
    }
    return folder;
  };
  const refused = (folder: string): Promise<ImportRefusal | null> =>
    checkExport(new ExportFolder(folder)).then(
      () => null,
      (error: { refusal: ImportRefusal }) => error.refusal,
    );

  it('is refused by what is wrong with it: no manifest, a changed or missing file, a newer schema', async () => {
    expect(await refused(newFolder())).toEqual({ code: 'noExport' });
    const changed = copy();
    appendFileSync(path.join(changed, 'tables', 'schools.jsonl'), ' ');
    expect(await refused(changed)).toEqual({ code: 'changed', file: 'tables/schools.jsonl' });
    const missing = copy();
    rmSync(
      path.join(
        missing,
        filesIn(missing).find((name) => name.startsWith('media'))!,
      ),
    );
    expect(await refused(missing)).toMatchObject({ code: 'missing', file: expect.stringMatching(/^media\//) });
    const newer = copy();
    const manifest = JSON.parse(readFileSync(path.join(newer, 'export.json'), 'utf8')) as { schema: string[] };
    writeFileSync(path.join(newer, 'export.json'), JSON.stringify({ ...manifest, schema: [...manifest.schema, '9999-later'] }));
    expect(await refused(newer)).toEqual({ code: 'newer', steps: ['9999-later'] });
  });

  it.each([
    ['a line that is no JSON', 'schools', () => 'x', /schools, line 1: : a row as JSON/],
    ['a column of no table', 'schools', (row: object) => JSON.stringify({ ...row, colour: 'red' }), /colour/],
    [
      'words where a number belongs',
      'reports',
      (row: object) => JSON.stringify({ ...row, minutes: 'ten' }),
      /reports, line 1: minutes: whole number/,
    ],
    ['a day that is none', 'reports', (row: object) => JSON.stringify({ ...row, done_on: '2026-02-31' }), /reports/],
    [
      'a value that the schema refuses',
      'children',
      (row: object) => JSON.stringify({ ...row, hand: 'third' }),
      /children: one of the lines 1 to/,
    ],
    [
      'a row that refers to nobody',
      'child_access',
      (row: object) => JSON.stringify({ ...row, person_id: 4711 }),
      /child_access: person_id 4711 is not in people/,
    ],
  ])('%s is refused with its place, and nothing is brought in', async (_, table, change, says) => {
    const db = await newDatabase();
    const folder = copy();
    const lines = linesOf(folder, table);
    lines[0] = change(JSON.parse(lines[0]!) as object);
    writeFileSync(path.join(folder, 'tables', `${table}.jsonl`), `${lines.join('\n')}\n`);
    const manifest = JSON.parse(readFileSync(path.join(first, 'export.json'), 'utf8')) as never;
    await expect(importWhole(db, new FolderMedia(newFolder()), new ExportFolder(folder), manifest)).rejects.toThrow(says);
    expect(await rowsOf(db, 'SELECT id FROM children')).toEqual([]);
    expect(await rowsOf(db, 'SELECT id FROM schools')).toEqual([]);
  });
});
