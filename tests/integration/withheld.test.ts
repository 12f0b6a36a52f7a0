import { execFileSync } from 'node:child_process';
import ICAL from 'ical.js';
import { parse } from 'csv-parse/sync';
import { compose } from '@/app/paperWords';
import { composeSheet } from '@/app/sheetWords';
import { addDays, calendarDayInZone, instant, mondayOf } from '@/core/calendar';
import { inTransaction } from '@/db';
import type { PersonActor } from '@/server/actor';
import { kitsForFile } from '@/server/kits/kitsForFile';
import { paperOfChild } from '@/server/programs/makePaper';
import { practiceCalendar } from '@/server/programs/practiceCalendar';
import { planReminders, saveReminders } from '@/server/messages/reminders';
import { sheetsOfWeek } from '@/server/worksheets/makeSheets';
import { kitsFile } from '@/ui/desk/kits/kitWords';
import { newTestBed, ZONE, type TestBed } from './testBed';

/** What pain or injury at is on no paper, no worksheet, in no calendar, text or kit: each file is opened by a reader of its own. */
let bed: TestBed;
let ines: PersonActor;
let childId: number;
beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines, {
    calledName: 'Odalys',
    familyLanguage: 'en',
    homeLanguages: ['en'],
    materialsAtHome: ['child-scissors', 'card', 'paper', 'marker'],
  });
  await bed.send(ines, childId, 0, ['crane-lift', 'cut-the-planks', 'wheel', 'star-beams']);
});
afterAll(() => bed.close());

const today = () => calendarDayInZone(bed.context.now(), ZONE);
const textOf = (file: Uint8Array) =>
  execFileSync(process.execPath, ['scripts/run.mjs', 'tests/fixtures/pdfText.ts'], { input: file, encoding: 'utf8' });
const program = async () => textOf((await paperOfChild(bed.context, ines, childId, { from: addDays(mondayOf(today()), 7) }, compose)).file);
const worksheets = async () => textOf((await sheetsOfWeek(bed.context, ines, { childId }, composeSheet, async () => true))!.file);
async function calendar(): Promise<string[]> {
  const file = await practiceCalendar(bed.context, await bed.newestToken(childId), (things, minutes) => `${things} in ${minutes} min`);
  return new ICAL.Component(ICAL.parse(file) as unknown[] as [string, unknown[], unknown[]])
    .getAllSubcomponents('vevent')
    .map((event) => String(event.getFirstPropertyValue('summary')));
}
async function kit(): Promise<string> {
  const week = addDays(mondayOf(today()), 7);
  const file = await kitsForFile(bed.context, ines, '', week, kitsFile);
  return JSON.stringify(parse(file, { bom: true }));
}
async function reminder(): Promise<string> {
  const token = await bed.newestToken(childId);
  await saveReminders(bed.context, token, { weekdays: [1, 2, 3, 4, 5, 6, 7], at: '17:00', afterSilence: false });
  for (let hour = 0; hour < 24; hour += 1) {
    await inTransaction(bed.db, (work) => planReminders(work, bed.context));
    bed.at(instant(bed.context.now() + 3_600_000));
    await bed.runJobs();
  }
  return (await bed.phone(childId)).findLast(({ text }) => text.includes('A reminder to practice'))?.text ?? '';
}

describe('an activity on hold after an injury report', () => {
  it('is in none of the files that stand with it before', async () => {
    for (const title of ['Crane lift', 'Cut the planks']) expect(await program()).toContain(title);
    expect(await worksheets()).toContain('Cut the planks');
    expect((await calendar())[0]).toMatch(/^4 in /);
    expect(await kit()).toMatch(/tongs/i);
    expect(await reminder()).toContain('Crane lift');

    for (const slug of ['crane-lift', 'cut-the-planks'])
      await bed.report(childId, { hurt: 'on', versionTaskId: await bed.versionTaskId(childId, slug), left: '', right: '', amount: '' });

    const paper = await program();
    expect(paper).toContain('Star beams');
    for (const title of ['Crane lift', 'Cut the planks']) expect(paper).not.toContain(title);
    const sheets = await worksheets();
    expect(sheets).not.toContain('Cut the planks');
    expect(sheets.length).toBeGreaterThan(0);
    expect((await calendar())[0]).toMatch(/^2 in /);
    expect(await kit()).not.toMatch(/tongs/i);
    const text = await reminder();
    expect(text).toContain('Star beams');
    expect(text).not.toMatch(/Crane lift|Cut the planks/);
  });
});
