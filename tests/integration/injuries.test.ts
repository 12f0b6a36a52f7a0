import { instant } from '@/core/calendar';
import type { PersonActor } from '@/server/actor';
import { handOver } from '@/server/students/moveChild';
import { viewChild } from '@/server/students/viewChild';
import { personAddressOf } from '@/server/ports';
import { decide } from '@/server/review/decide';
import { openInjuries } from '@/server/review/openInjuries';
import { undoDecision } from '@/server/review/undoDecision';
import { viewReview } from '@/server/review/viewReview';
import { receiveText } from '@/server/reports/replies/receiveText';
import { setInjuryEmail } from '@/server/settings/workplace';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let pim: PersonActor;
let childId: number;

const SLUGS = ['star-beams', 'crane-lift', 'work-vest-zip'];

beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  pim = await bed.person('Teodor Wray', 'assistant');
});
beforeEach(async () => {
  bed.at(instant(Date.parse('2026-10-14T20:00:00Z')));
  childId = await bed.child(ines, { reportWay: 'text', familyLanguage: 'en', homeLanguages: ['en'] });
  await bed.write("INSERT INTO child_access (child_id, person_id, access) VALUES (:childId, :pim, 'assist')", {
    childId,
    pim: pim.personId,
  });
  await bed.send(ines, childId, 0, SLUGS);
});
afterAll(() => bed.close());

let count = 0;
const text = (words: string) => receiveText(bed.context, { serviceKey: `harm-${(count += 1)}`, from: `family-${childId}`, text: words });
const onHold = async () =>
  (
    await bed.read<{ slug: string }>(
      'SELECT DISTINCT t.slug FROM reports r JOIN tasks t ON t.id = r.task_id WHERE r.child_id = :childId AND r.holds = 1 ORDER BY t.slug',
      { childId },
    )
  ).map(({ slug }) => slug);
const cards = async (who = ines) => (await viewReview(bed.context, who, null)).open.filter((card) => card.childId === childId);
const row = async () =>
  (
    await bed.read<{ safety_word: number; danger: string | null; words: string; holds: number | null; n: number }>(
      'SELECT safety_word, danger, words, holds, COUNT(*) OVER () AS n FROM reports WHERE child_id = :childId ORDER BY id LIMIT 1',
      { childId },
    )
  )[0]!;

describe('a text with harm in it', () => {
  it.each([
    'crane 10 but the zip pinched her chin and it bled',
    'A8 B10, zip pinched his neck',
    'yest 8, today 10 crane, zip hurt his thumb a little, can we use the coat?',
    'A8. he fell off the chair later doing the drawing and hit his head',
  ])('puts everything on hold unless one clause names one task: %s', async (words) => {
    expect((await text(words)).outcome).toBe('danger');
    expect(await onHold()).toEqual([...SLUGS].sort());
  });

  it('puts one task on hold where the clause with the harm names it alone', async () => {
    expect((await text('A8. crane hurt his thumb')).outcome).toBe('danger');
    expect(await onHold()).toEqual(['crane-lift']);
  });
});

describe('words beside a count', () => {
  it('stay on the report, reach the review list, and are not thanked for', async () => {
    expect((await text('A8 but she cried the whole time')).outcome).toBe('taken');
    expect((await row()).words).toContain('she cried the whole time');
    const card = (await cards()).find(({ kind }) => kind === 'comment')!;
    expect(card.reportIds).toHaveLength(1);
    await bed.runJobs();
    expect((await bed.phone(childId)).at(-1)!.text).toMatch(/Your therapist will read your comment\.$/);
  });

  it('leave the list once read, and come back when that is undone', async () => {
    await text('A8 but she cried the whole time');
    const { key } = (await cards()).find(({ kind }) => kind === 'comment')!;
    const settled = await decide(bed.context, ines, { childId, key, answer: 'read', expectedVersion: 1 });
    expect((await cards()).some(({ kind }) => kind === 'comment')).toBe(false);
    await undoDecision(bed.context, ines, settled.decisionId);
    expect((await cards()).some(({ kind }) => kind === 'comment')).toBe(true);
  });
});

describe('an injury', () => {
  const hurt = { hurt: 'on', words: 'her thumb hurt a lot' };
  beforeEach(async () => {
    childId = await bed.child(ines);
    await bed.write("INSERT INTO child_access (child_id, person_id, access) VALUES (:childId, :pim, 'assist')", {
      childId,
      pim: pim.personId,
    });
    await bed.send(ines, childId);
  });

  it('stays reported whatever corrections come at the same time, in whatever order', async () => {
    for (let round = 0; round < 6; round += 1) {
      bed.at(instant(bed.context.now() + 60_000));
      const child = await bed.child(ines);
      await bed.send(ines, child);
      const { reportId } = await bed.report(child, { left: '5' });
      await Promise.allSettled([
        bed.report(child, { ...hurt, corrects: String(reportId) }),
        bed.report(child, { left: '4', corrects: String(reportId) }),
        bed.report(child, { left: '3', words: 'all fine', corrects: String(reportId) }),
      ]);
      const [stands] = await bed.read('SELECT safety_word, holds, words FROM reports WHERE id = :reportId', { reportId });
      expect(stands).toMatchObject({ safety_word: 1, holds: 1, words: expect.stringContaining('her thumb hurt a lot') });
    }
  });

  it('shows the words that told of it, with what was said later behind them', async () => {
    const { reportId } = await bed.report(childId, hurt);
    await bed.report(childId, { left: '5', words: 'all fine', corrects: String(reportId) });
    expect((await row()).words).toBe('her thumb hurt a lot\nall fine');
  });

  it('is taken in beside any other fault', async () => {
    await bed.report(childId, { ...hurt, amount: 'abc' });
    expect(await row()).toMatchObject({ safety_word: 1, holds: 1, words: expect.stringContaining('abc') });
  });

  it('pressed by mistake keeps the task on hold until the lead opens it, by one answer', async () => {
    const key = crypto.randomUUID();
    const press = (how: string) => bed.report(childId, { idempotencyKey: key, hurt: 'on', press: how });
    await press('pressed');
    await press('mistake');
    expect((await row()).holds).toBe(1);
    const card = (await cards()).find(({ kind }) => kind === 'pressed')!;
    expect(await refusal(decide(bed.context, pim, { childId, key: card.key, answer: 'lifted', expectedVersion: 1 }))).toBe('notAllowed');
    await decide(bed.context, ines, { childId, key: card.key, answer: 'lifted', expectedVersion: 1 });
    expect((await row()).holds).toBeNull();
  });

  it('is put off by nobody, and counted for everybody who works with the child until it is settled', async () => {
    await bed.report(childId, hurt);
    const before = await openInjuries(bed.context, ines);
    const { key } = (await cards(pim)).find(({ kind }) => kind === 'safetyWord')!;
    for (const who of [pim, ines])
      expect(await refusal(decide(bed.context, who, { childId, key, answer: 'later', laterDays: 1, expectedVersion: 1 }))).toBe('invalid');
    await decide(bed.context, pim, { childId, key, answer: 'seen', expectedVersion: 1 });
    expect((await cards()).some(({ kind }) => kind === 'safetyWord')).toBe(true);
    expect(await openInjuries(bed.context, ines)).toBe(before);
    expect(before).toBeGreaterThan(0);
  });

  it('sends the lead one email a day, without a name', async () => {
    await bed.report(childId, hurt);
    await bed.report(childId, hurt);
    await bed.runJobs();
    const mails = await bed.read<{ job_key: string }>("SELECT job_key FROM jobs WHERE kind = 'injuryEmail' AND job_key LIKE :key", {
      key: `injuryEmail:${childId}:%`,
    });
    expect(mails).toHaveLength(1);
  });

  it('is announced by email to who leads the student from now on, and carried with it', async () => {
    const marit = await bed.person('Marit Oyelaran-Voss');
    await bed.report(childId, hurt);
    await bed.runJobs();
    await handOver(bed.context, ines, { childIds: [childId], to: marit.personId, note: '', staysSharing: false });
    await bed.runJobs();
    const told = (await bed.context.phone!.read(personAddressOf(marit.personId))).map(({ text: words }) => words);
    expect(told).toEqual([expect.stringMatching(/^An injury report is open in Yard Steps\./)]);
    expect(told.join()).not.toContain('Odalys');
    expect(await openInjuries(bed.context, marit)).toBe(1);
  });

  it('sends no email where a supervisor turned it off', async () => {
    const supervisor = await bed.person('Ottilie Marsh', 'supervisor');
    expect(await refusal(setInjuryEmail(bed.context, ines, false))).toBe('notAllowed');
    await setInjuryEmail(bed.context, supervisor, false);
    const lead = await bed.person('Ines Calloway-Brandt');
    const other = await bed.child(lead);
    await bed.send(lead, other, 0, SLUGS);
    await bed.report(other, hurt);
    await bed.runJobs();
    expect(await bed.context.phone!.read(personAddressOf(lead.personId))).toEqual([]);
    await setInjuryEmail(bed.context, supervisor, true);
  });

  it('stays on the student’s page after it was reviewed: what was found, who was spoken to, from which day it opens', async () => {
    await bed.report(childId, hurt);
    const { key } = (await cards()).find(({ kind }) => kind === 'safetyWord')!;
    const fromDay = '2026-10-20';
    await decide(bed.context, ines, {
      ...{ childId, key, answer: 'lifted', expectedVersion: 1 },
      ...{ found: 'A small bruise', spokeTo: 'her mother', fromDay },
    });
    expect((await viewChild(bed.context, ines, childId)).lifts).toMatchObject([
      { found: 'A small bruise', spokeTo: 'her mother', fromDay, liftedByName: 'Ines Calloway-Brandt' },
    ]);
  });

  it('is no practice: its day is neither done nor not done', async () => {
    await bed.report(childId, hurt);
    const { practiceSince, inTransaction } = await import('@/db');
    const { calendarDay } = await import('@/core/calendar');
    const known = await inTransaction(bed.db, (work) => practiceSince(work, [childId], calendarDay('2026-10-01')));
    expect(known.get(childId) ?? []).toEqual([]);
  });
});

it('one card pressed four times at once is one decision', async () => {
  await text('A8 but she cried the whole time');
  const { key } = (await cards()).find(({ kind }) => kind === 'comment')!;
  const answers = await Promise.all(
    [1, 2, 3, 4].map(() => refusal(decide(bed.context, ines, { childId, key, answer: 'later', laterDays: 2, expectedVersion: 1 }))),
  );
  expect(answers.sort()).toEqual(['not refused', 'staleDecision', 'staleDecision', 'staleDecision']);
});
