import { randomUUID } from 'node:crypto';
import { addDays } from '@/core/calendar';
import type { PersonActor } from '@/server/actor';
import { viewFamily } from '@/server/reports/viewFamily';
import { decide } from '@/server/review/decide';
import { undoDecision } from '@/server/review/undoDecision';
import { viewReview } from '@/server/review/viewReview';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let marit: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  marit = await bed.person('Marit Osei', 'assistant');
  childId = await bed.child(ines);
  await bed.share(childId, marit, 'assist');
  await bed.send(ines, childId);
});
afterEach(() => bed.close());

const family = async () => viewFamily(bed.context, await bed.newestToken(childId));
const closed = async () => (await family()).tasks.filter((task) => task.closed).map(({ task }) => task.content.slug);
const crane = async () => (await family()).tasks.find(({ task }) => task.content.slug === 'crane-lift')!;
const here = async (who = ines) => (await viewReview(bed.context, who, null)).here;
const settle = async (answer: string, more: Record<string, unknown> = {}, who = ines) => {
  const { decision, program } = (await here(who))!;
  return (await decide(bed.context, who, { childId, key: decision.key, answer, expectedVersion: program.number, ...more })).decisionId;
};

describe('when pain or injury', () => {
  it('the task is closed till a person lifts it: neither reading nor time nor another report opens it', async () => {
    await bed.report(childId, { hurt: 'on', words: 'His finger is swollen' });
    expect(await closed()).toEqual(['crane-lift']);
    await settle('seen', {}, marit);
    expect(await closed()).toEqual(['crane-lift']);
    await settle('seen');
    bed.passDays(10);
    expect(await closed()).toEqual(['crane-lift']);
    await bed.report(childId, {});
    expect(await closed()).toEqual(['crane-lift']);
    expect((await here())!.decision.kind).toBe('safetyWord');
  });

  it('who only assists reads it and is through with it; the lead still has it, and sees who read it when', async () => {
    await bed.report(childId, { hurt: 'on' });
    await settle('seen', {}, marit);
    expect(await here(marit)).toBeNull();
    const full = (await here())!;
    expect(full.stops.flatMap(({ readers }) => readers.map(({ name }) => name))).toEqual(['Marit Osei']);
    const lift = decide(bed.context, marit, { childId, key: full.decision.key, answer: 'lifted', expectedVersion: 1, found: 'a bruise' });
    expect(await refusal(lift)).toBe('notAllowed');
    expect(await closed()).toEqual(['crane-lift']);
  });

  it('is lifted with what was found, from when and at which step; the family reads it on its page and gets one text', async () => {
    await bed.report(childId, { hurt: 'on' });
    const texts = (await bed.phone(childId)).length;
    expect(await refusal(settle('lifted', { found: '' }))).toBe('invalid');
    await settle('lifted', { found: 'A bruise, gone now', spokeTo: 'the mother', atStep: 2, words: 'Use the soft tongs.' });
    expect(await closed()).toEqual([]);
    const page = await family();
    expect(page.tasks.find(({ task }) => task.content.slug === 'crane-lift')!.task.step).toBe(2);
    expect(page.notes.map(({ words }) => words)).toEqual(['Use the soft tongs.']);
    expect(page.lifts).toMatchObject([{ found: 'A bruise, gone now', spokeTo: 'the mother', liftedByName: 'Ines Calloway-Brandt' }]);
    await bed.runJobs();
    const sent = (await bed.phone(childId)).slice(texts);
    expect(sent).toHaveLength(1);
    expect(sent[0]!.text).not.toContain('tongs');
  });

  it('stays closed until the day from which it was lifted', async () => {
    await bed.report(childId, { hurt: 'on' });
    const fromDay = addDays((await family()).today, 3);
    await settle('lifted', { found: 'a bruise', fromDay });
    expect((await crane()).closed).toEqual({ kind: 'until', day: fromDay });
    bed.passDays(3);
    expect(await closed()).toEqual([]);
  });

  it('a lift that is taken back closes it again, and what was written goes from the page', async () => {
    await bed.report(childId, { hurt: 'on' });
    const lifted = await settle('lifted', { found: 'a bruise', words: 'Go on gently.' });
    await undoDecision(bed.context, ines, lifted);
    expect(await closed()).toEqual(['crane-lift']);
    expect((await family()).notes).toEqual([]);
    expect((await here())!.decision.kind).toBe('safetyWord');
  });

  it('may be left closed for some days, asks why, and comes back by itself; put off at most a day', async () => {
    await bed.report(childId, { hurt: 'on' });
    expect(await refusal(settle('later', { laterDays: 2 }))).toBe('invalid');
    expect(await refusal(settle('keptClosed', { laterDays: 7 }))).toBe('reasonNeeded');
    await settle('keptClosed', { laterDays: 7, reason: 'Waiting for the doctor' });
    expect(await here()).toBeNull();
    bed.passDays(7);
    expect((await here())!.decision.kind).toBe('safetyWord');
    expect(await closed()).toEqual(['crane-lift']);
  });

  it('the task may be taken out, and the family is told', async () => {
    await bed.report(childId, { hurt: 'on' });
    const before = (await family()).version!.tasks.length;
    await settle('takenOut', { reason: 'Too hard on the finger' });
    const after = (await family()).version!;
    expect([after.number, after.tasks.length]).toEqual([2, before - 1]);
  });

  it('a second time within 30 days is told on the card', async () => {
    await bed.report(childId, { hurt: 'on' });
    await settle('lifted', { found: 'nothing to see' });
    bed.passDays(12);
    await bed.report(childId, { hurt: 'on' });
    expect((await here())!.dangers).toHaveLength(1);
    bed.passDays(31);
    expect((await here())!.dangers).toHaveLength(0);
  });
});

describe('what a family says afterwards', () => {
  it('unticking or correcting never opens the task (B1)', async () => {
    const { reportId } = await bed.report(childId, { hurt: 'on' });
    await bed.report(childId, { corrects: String(reportId), left: '4', right: '4' });
    expect(await closed()).toEqual(['crane-lift']);
    expect((await here())!.decision.kind).toBe('safetyWord');
  });

  it.each([
    ['words', 'He swallowed a washer and is choking'],
    ['words', 'le sale sangre'],
    ['saidBy', 'she is bleeding'],
  ])('danger in %s closes the task although nothing was ticked: %s', async (field, words) => {
    const taken = await bed.report(childId, { [field]: words });
    expect(taken.safetyWord).toBe(true);
    expect(await closed()).toEqual(['crane-lift']);
    expect((await here())!.decision.kind).toBe('maybeHurt');
  });

  it('a press by mistake, corrected within a minute, keeps the task on hold until the lead opens it', async () => {
    const idempotencyKey = randomUUID();
    await bed.report(childId, { idempotencyKey, hurt: 'on', press: 'pressed', left: '', right: '' });
    expect(await closed()).toEqual(['crane-lift']);
    const slip = await bed.report(childId, { idempotencyKey, hurt: 'on', press: 'mistake', left: '', right: '' });
    expect(slip.safetyWord).toBe(true);
    expect(await closed()).toEqual(['crane-lift']);
    expect((await here())!.decision.kind).toBe('pressed');
    await settle('lifted');
    expect(await closed()).toEqual([]);
    expect(await here()).toBeNull();
    // What is pressed again after a slip is no slip.
    await bed.report(childId, { idempotencyKey, hurt: 'on', press: 'pressed', left: '', right: '' });
    expect(await closed()).toEqual(['crane-lift']);
  });

  it('later, or once something was told, only a person opens it', async () => {
    const idempotencyKey = randomUUID();
    await bed.report(childId, { idempotencyKey, hurt: 'on', press: 'pressed' });
    bed.passDays(1);
    await bed.report(childId, { idempotencyKey, hurt: 'on', press: 'mistake' });
    expect(await closed()).toEqual(['crane-lift']);
    const told = randomUUID();
    await bed.report(childId, { idempotencyKey: told, hurt: 'on', press: 'pressed' });
    await bed.report(childId, { idempotencyKey: told, hurt: 'on', words: 'the nail is torn' });
    await bed.report(childId, { idempotencyKey: told, hurt: 'on', press: 'mistake' });
    expect((await here())!.stops.map(({ danger }) => danger)).toEqual(['pressed', 'told']);
  });
});

describe('words that are not lost', () => {
  it('the same key with other content is a correction (B9)', async () => {
    const idempotencyKey = randomUUID();
    const first = await bed.report(childId, { idempotencyKey, left: '2', right: '2' });
    const again = await bed.report(childId, { idempotencyKey, left: '5', right: '5', words: 'it went better' });
    expect(again).toMatchObject({ reportId: first.reportId, repeated: false });
    expect(await bed.read('SELECT left_count, right_count, words FROM reports')).toEqual([
      { left_count: 5, right_count: 5, words: 'it went better' },
    ]);
    expect((await bed.report(childId, { idempotencyKey, left: '5', right: '5', words: 'it went better' })).repeated).toBe(true);
  });

  it('yesterday told after today is a report of its own, and today stays (B8)', async () => {
    const { today } = await family();
    const { reportId } = await bed.report(childId, { left: '5', right: '5' });
    await bed.report(childId, { corrects: String(reportId), doneOn: addDays(today, -1), left: '3', right: '3' });
    expect(await bed.read('SELECT done_on, left_count FROM reports ORDER BY done_on')).toEqual([
      { done_on: addDays(today, -1), left_count: 3 },
      { done_on: today, left_count: 5 },
    ]);
  });
});
