import ICAL from 'ical.js';
import nodeIcal from 'node-ical';
import { calendarDay, instant } from '@/core/calendar';
import type { Contact } from '@/core/students';
import { inTransaction } from '@/db';
import type { PersonActor } from '@/server/actor';
import { sendDirect } from '@/server/messages/sendDirect';
import { planReminders, setReminders, saveReminders, viewReminders } from '@/server/messages/reminders';
import { askAsTeacher, makeTeacherLink, revokeTeacherLinks, viewTeacher } from '@/server/students/teacherLinks';
import { viewOutside } from '@/server/students/viewOutside';
import { practiceCalendar } from '@/server/programs/practiceCalendar';
import { sendProgram } from '@/server/programs/sendProgram';
import { viewReview } from '@/server/review/viewReview';
import { newTestBed, refusal, ZONE, type TestBed } from './testBed';

const HOUR = 3_600_000;
const SLUGS = ['star-beams', 'crane-lift'];
const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];

let bed: TestBed;
let ines: PersonActor;
let childId: number;
const nana: Contact = {
  name: 'Nana',
  relation: 'grandmother',
  language: 'en',
  way: 'text',
  reach: '+1 406 555 0142',
  quiet: { from: '20:00', to: '07:00' },
  mayBeSent: 'practice',
};
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines, { calledName: 'Odalys', familyLanguage: 'en', homeLanguages: ['en'], contacts: [nana] });
  await bed.send(ines, childId, 0, SLUGS);
});
afterEach(() => bed.close());

/** Lets hours pass, planning and running as the runner does. */
async function pass(hours: number): Promise<void> {
  for (let hour = 0; hour < hours; hour += 1) {
    await inTransaction(bed.db, (work) => planReminders(work, bed.context));
    bed.at(instant(bed.context.now() + HOUR));
    await bed.runJobs();
  }
}
const reminders = async () => (await bed.phone(childId)).filter(({ text }) => !text.includes('/f/'));
const wallOf = (at: number) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: ZONE, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(new Date(at));

describe('reminders', () => {
  it('come on the days and at the hour that the family wishes, once, with the letters, and never where all is told', async () => {
    await saveReminders(bed.context, await bed.newestToken(childId), { weekdays: EVERY_DAY, at: '18:00', afterSilence: false });
    await pass(24);
    expect((await reminders()).map(({ text }) => text)).toEqual([
      'Yard Steps: A reminder to practice if today works for you. A Star beams, B Crane lift. Let us know how it went, for example: A8 BL5R5. Change reminders on your page. Reply STOP to end all texts.',
    ]);
    expect(wallOf((await reminders())[0]!.at)).toMatch(/^18:/);
    for (const slug of SLUGS) {
      const counts = slug === 'crane-lift' ? { left: '5', right: '5' } : { left: '', right: '', amount: '8' };
      await bed.report(childId, { versionTaskId: await bed.versionTaskId(childId, slug), ...counts });
    }
    const before = (await reminders()).length;
    await pass(8);
    expect((await reminders()).length - before).toBeLessThanOrEqual(0);
  });

  it('come at no quiet hour: one is refused, and the reminder of a day never comes on the next one', async () => {
    const at = (hour: string) => ({ weekdays: EVERY_DAY, at: hour, afterSilence: false });
    expect(await refusal(setReminders(bed.context, ines, childId, at('21:00')))).toBe('invalid');
    expect(await refusal(saveReminders(bed.context, await bed.newestToken(childId), at('20:30')))).toBe('invalid');
    expect((await viewReminders(bed.context, await bed.newestToken(childId))).quiet).toEqual({ from: '20:00', to: '07:00' });
    // Quiet hours that were named after the reminder was set.
    await setReminders(bed.context, ines, childId, at('19:30'));
    await bed.write("UPDATE children SET contacts = JSON_SET(contacts, '$[0].quiet.from', '19:00') WHERE id = :childId", { childId });
    await pass(24);
    expect(await reminders()).toEqual([]);
  });

  it('stop at once where they are not wished any more', async () => {
    await setReminders(bed.context, ines, childId, { weekdays: EVERY_DAY, at: '19:00', afterSilence: false });
    await pass(24);
    expect((await reminders()).map(({ at }) => wallOf(at).slice(0, 2))).toEqual(['19']);
    await setReminders(bed.context, ines, childId, { weekdays: [], at: '19:00', afterSilence: false });
    const before = (await reminders()).length;
    await pass(30);
    expect(await reminders()).toHaveLength(before);
  });

  it('planned by an hour that was changed since come at the new one alone', async () => {
    await setReminders(bed.context, ines, childId, { weekdays: EVERY_DAY, at: '18:00', afterSilence: false });
    await inTransaction(bed.db, (work) => planReminders(work, bed.context));
    await setReminders(bed.context, ines, childId, { weekdays: EVERY_DAY, at: '19:00', afterSilence: false });
    await pass(12);
    expect((await reminders()).map(({ at }) => wallOf(at).slice(0, 2))).toEqual(['19']);
  });

  it('after a week of silence are one gentle word, and no other for a week', async () => {
    await setReminders(bed.context, ines, childId, { weekdays: [], at: '17:00', afterSilence: true });
    await pass(6 * 24);
    expect(await reminders()).toEqual([]);
    await pass(3 * 24);
    expect((await reminders()).map(({ text }) => text)).toEqual([expect.stringContaining('We have no report yet, and that is fine')]);
    await pass(5 * 24);
    expect(await reminders()).toHaveLength(1);
    await pass(3 * 24);
    expect(await reminders()).toHaveLength(2);
  });

  it('name the child only where the family agreed, and come by the service that it chose', async () => {
    const mail: Contact = { ...nana, name: 'Opa', way: 'email', reach: 'opa@example.org', quiet: null };
    childId = await bed.child(ines, { calledName: 'Wren', familyLanguage: 'en', homeLanguages: ['en'], contacts: [nana, mail] });
    await bed.send(ines, childId, 0, SLUGS);
    const token = await bed.newestToken(childId);
    expect((await viewReminders(bed.context, token)).ways).toEqual(['text', 'email']);
    const options = { weekdays: EVERY_DAY, at: '21:00', afterSilence: false };
    const own = { childId, words: 'A word about Wren: well done.' };
    expect(await refusal(sendDirect(bed.context, ines, own))).toBe('invalid');
    await saveReminders(bed.context, token, { ...options, way: 'email', mayName: true });
    await sendDirect(bed.context, ines, own);
    await pass(24);
    const told = await bed.read(
      "SELECT words, JSON_VALUE(reach, '$.at') AS reach FROM messages WHERE child_id = :childId AND kind = 'reminder'",
      { childId },
    );
    expect(told).toEqual([
      {
        words: expect.stringMatching(/^Yard Steps, Wren: A reminder to practice if today works for you\. A Star beams, B Crane lift\. /),
        reach: 'opa@example.org',
      },
    ]);
    // By e-mail no quiet hours were asked for: it came at nine, not in the morning.
    expect((await reminders()).map(({ at }) => wallOf(at).slice(0, 2))).toContain('21');
    expect(await refusal(saveReminders(bed.context, token, { ...options, way: 'pigeon' }))).toBe('invalid');
  });

  it('are the family’s and the therapist’s to set, nobody else’s; what is no time is refused', async () => {
    const token = await bed.newestToken(childId);
    expect((await viewReminders(bed.context, token)).reminders.weekdays).toEqual([]);
    expect(await refusal(saveReminders(bed.context, token, { weekdays: [8], at: '18:00', afterSilence: false }))).toBe('invalid');
    expect(await refusal(saveReminders(bed.context, token, { weekdays: [1], at: '24:00', afterSilence: false }))).toBe('invalid');
    const stranger = await bed.person('Marit Oyelaran-Voss');
    expect(await refusal(setReminders(bed.context, stranger, childId, { weekdays: [], at: '18:00', afterSilence: false }))).toBe(
      'notFound',
    );
    expect(await refusal(viewOutside(bed.context, stranger, childId))).toBe('notFound');
  });
});

describe('the practice days as a calendar', () => {
  /** From before one change of the clocks to after the other. */
  async function yearOfPractice(): Promise<string> {
    bed.at(instant(Date.UTC(2026, 9, 20, 18)));
    const draft = { ...bed.draft(SLUGS), startsOn: calendarDay('2026-10-20'), endsOn: calendarDay('2027-03-31') };
    await sendProgram(bed.context, ines, { childId, expectedVersion: 1, draft, cautionsRead: true });
    await bed.runJobs();
    return practiceCalendar(bed.context, await bed.newestToken(childId), (things, minutes) => `Home practice, ${things}, ${minutes} min`);
  }

  it('is read by two independent readers: the same wall time on either side of both changes of the clocks, a day each, no name in it', async () => {
    const feed = await yearOfPractice();
    expect(feed).not.toMatch(/odalys/i);
    const byIcal = new ICAL.Component(ICAL.parse(feed))
      .getAllSubcomponents('vevent')
      .map((event) => new ICAL.Event(event).startDate.toJSDate());
    const byNode = Object.values(nodeIcal.sync.parseICS(feed)).flatMap((event) => (event?.type === 'VEVENT' ? [event.start as Date] : []));
    expect(byIcal).toHaveLength(163);
    expect(byNode.map(Number).sort()).toEqual(byIcal.map(Number).sort());
    expect(new Set(byIcal.map((start) => wallOf(start.getTime())))).toEqual(new Set(['16:00']));
    const days = byIcal.map((start) => new Intl.DateTimeFormat('en-CA', { timeZone: ZONE }).format(start));
    expect(new Set(days).size).toBe(163);
    // New York and Denver alike change on 2026-11-01 and 2027-03-14.
    for (const day of ['2026-10-31', '2026-11-01', '2026-11-02', '2027-03-13', '2027-03-14', '2027-03-15']) expect(days).toContain(day);
    // RFC 5545, section 3.1: no line is longer than 75 octets, and lines end with CRLF.
    expect(feed.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
  });

  it('keeps the key of each day, so that a reader that asks again gets no doubles', async () => {
    const keys = (feed: string) => [...feed.matchAll(/^UID:(.+)$/gm)].map(([, key]) => key!.trim());
    const first = await yearOfPractice();
    bed.at(instant(bed.context.now() + HOUR));
    const again = await practiceCalendar(bed.context, await bed.newestToken(childId), () => 'again');
    expect(keys(again)).toEqual(keys(first));
    expect(await refusal(practiceCalendar(bed.context, 'x'.repeat(32), () => ''))).toBe('linkUnknown');
  });
});

describe('a teacher’s link', () => {
  const link = async () => (await viewOutside(bed.context, ines, childId)).teacherLinks[0]!.split('/t/')[1]!;

  it('shows whose page it is and passes a question on; turned off, it opens nothing', async () => {
    await makeTeacherLink(bed.context, ines, childId);
    const token = await link();
    expect(await viewTeacher(bed.context, token)).toEqual({ calledName: 'Odalys', emergencyNumber: '911' });
    expect(await askAsTeacher(bed.context, token, { question: 'May she use the thick marker in class?', who: 'Room 4' })).toEqual({
      isDanger: false,
    });
    const { here } = await viewReview(bed.context, ines, null);
    expect(here!.decision.kind).toBe('text');
    expect(here!.texts).toMatchObject([{ text: 'May she use the thick marker in class?', saidBy: 'Room 4' }]);
    await revokeTeacherLinks(bed.context, ines, childId);
    expect(await refusal(viewTeacher(bed.context, token))).toBe('linkRevoked');
    expect(await refusal(askAsTeacher(bed.context, token, { question: 'Hello' }))).toBe('linkRevoked');
  });

  it('that tells of harm closes the practice; a flood is refused, harm never', async () => {
    await makeTeacherLink(bed.context, ines, childId);
    const token = await link();
    for (let count = 0; count < 10; count += 1) await askAsTeacher(bed.context, token, { question: `Question ${count}` });
    expect(await refusal(askAsTeacher(bed.context, token, { question: 'One more' }))).toBe('tooManyReports');
    expect(await askAsTeacher(bed.context, token, { question: 'She swallowed a bead' })).toEqual({ isDanger: true });
    expect((await viewReview(bed.context, ines, null)).open[0]!.kind).toMatch(/safetyWord|maybeHurt/);
  });

  it('is no family’s link, and a family’s is no teacher’s', async () => {
    await makeTeacherLink(bed.context, ines, childId);
    expect(await refusal(viewReminders(bed.context, await link()))).toBe('linkUnknown');
    expect(await refusal(viewTeacher(bed.context, await bed.newestToken(childId)))).toBe('linkUnknown');
  });
});
