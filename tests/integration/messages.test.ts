import { instant } from '@/core/calendar';
import { ByReach } from '@/outside/byReach';
import type { PersonActor } from '@/server/actor';
import { viewChild } from '@/server/students/viewChild';
import { runDue } from '@/server/jobs/runDue';
import { sendLinkAgain, sendNewLink } from '@/server/messages/links';
import { viewMessages } from '@/server/messages/viewMessages';
import { setReadDays } from '@/server/accounts/readDays';
import { sendProgram } from '@/server/programs/sendProgram';
import { closedLink } from '@/server/reports/closedLink';
import { viewFamily } from '@/server/reports/viewFamily';
import { decide } from '@/server/review/decide';
import { undoDecision } from '@/server/review/undoDecision';
import { viewReview } from '@/server/review/viewReview';
import { setHoldMinutes, viewSettings } from '@/server/settings/workplace';
import { newTestBed, refusal, type TestBed } from './testBed';

const MINUTE = 60_000;

let bed: TestBed;
let ines: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines, { familyLanguage: 'en', homeLanguages: ['en'] });
  await bed.send(ines, childId);
  await setHoldMinutes(bed.context, { ...ines, role: 'supervisor' }, '10');
});
afterEach(() => bed.close());

const minutes = (count: number) => bed.at(instant(bed.context.now() + count * MINUTE));
const texts = async () => (await bed.phone(childId)).map(({ text }) => text.replace(/https?:\S+/, 'LINK'));
const links = async () => (await bed.phone(childId)).map(({ text }) => text.match(/https?:\S+/)![0]);

/** Three good days of one task, so that Rounds suggests a step up. */
async function readyFor(slug: string): Promise<string> {
  for (let day = 0; day < 3; day += 1) {
    const versionTaskId = await bed.versionTaskId(childId, slug);
    const counts = slug === 'crane-lift' ? { left: '5', right: '5' } : { left: '', right: '', amount: '10' };
    await bed.report(childId, { versionTaskId, help: 'alone', ...counts });
    bed.passDays(1);
  }
  const { open } = await viewReview(bed.context, ines, null);
  return open.find(({ kind, childId: whose }) => kind === 'ready' && whose === childId)!.key;
}

async function settle(key: string, answer: string, more: Record<string, unknown> = {}): Promise<number> {
  const { open } = await viewReview(bed.context, ines, key);
  expect(open.map((each) => each.key)).toContain(key);
  const [program] = await bed.read<{ version: number }>('SELECT current_version AS version FROM programs WHERE child_id = :childId', {
    childId,
  });
  return (await decide(bed.context, ines, { childId, key, answer, expectedVersion: program!.version, ...more })).decisionId;
}

describe('the link', () => {
  it('that is sent again within minutes is one text, and after them another one', async () => {
    const count = async () => (await texts()).filter((text) => text.includes('LINK')).length;
    bed.at(instant(bed.context.now() + 3_600_000));
    const before = await count();
    for (let presses = 0; presses < 3; presses += 1) await sendLinkAgain(bed.context, ines, childId);
    await bed.runJobs();
    expect(await count()).toBe(before + 1);
    bed.at(instant(bed.context.now() + 601_000));
    await sendLinkAgain(bed.context, ines, childId);
    await bed.runJobs();
    expect(await count()).toBe(before + 2);
  });

  it('is made where no service reaches the family, and the message says that it was not sent', async () => {
    const context = { ...bed.context, texts: new ByReach({ text: null, email: null }, null) };
    const own = await bed.child(ines);
    await sendProgram(context, ines, { childId: own, expectedVersion: 0, draft: bed.draft(), cautionsRead: true });
    bed.at(instant(bed.context.now() + 3_600_000));
    await runDue(context, 'test');
    expect(await bed.read('SELECT status FROM messages WHERE child_id = :own', { own })).toEqual([{ status: 'givenUp' }]);
    const view = await viewChild(context, ines, own);
    expect(view.familyLink!.address).toMatch(/\/f\/[A-Za-z0-9_-]{32}$/);
    expect(view.unreached).not.toBeNull();
    expect((await viewMessages(context, ines, { phoneOf: null, search: '' })).reaches).toEqual({ text: false, email: false });
    expect([(await viewSettings(context, ines)).emailIsSent, (await viewSettings(bed.context, ines)).emailIsSent]).toEqual([false, true]);
  });
});

describe('what is decided about a child', () => {
  it('waits its minutes, goes out as one message, and Rounds and Post say when', async () => {
    const before = (await texts()).length;
    const first = await readyFor('crane-lift');
    await settle(first, 'up');
    const second = (await viewReview(bed.context, ines, null)).open.find((each) => each.kind === 'question');
    expect(second).toBeUndefined();
    await bed.report(childId, { question: 'on', words: 'May the thumb help?' });
    const asked = (await viewReview(bed.context, ines, null)).open.find((each) => each.kind === 'question')!.key;
    minutes(4);
    await settle(asked, 'wrote', { words: 'Yes, both may.' });
    await bed.runJobs();
    expect(await texts()).toHaveLength(before);
    const { post } = await viewReview(bed.context, ines, null);
    expect(post.filter(({ status }) => status === 'waiting')).toMatchObject([{ kind: 'several', sendAt: bed.context.now() + 6 * MINUTE }]);
    minutes(6);
    await bed.runJobs();
    expect((await texts()).slice(before)).toEqual(['Yard Steps: The practice plan has changed. Open your private page: LINK']);
    expect((await viewMessages(bed.context, ines, { phoneOf: childId, search: '' })).messages[0]).toMatchObject({ status: 'handedOver' });
  });

  it('taken back in that time sends nothing; after it, a message says so in its own words', async () => {
    const before = (await texts()).length;
    const key = await readyFor('crane-lift');
    await undoDecision(bed.context, ines, await settle(key, 'up'));
    minutes(30);
    await bed.runJobs();
    expect((await texts()).slice(before)).toEqual([]);
    const again = await settle(key, 'up');
    minutes(10);
    await bed.runJobs();
    await undoDecision(bed.context, ines, again);
    minutes(10);
    await bed.runJobs();
    expect((await texts()).slice(before)).toEqual([
      'Yard Steps: There is a new step in the practice plan. Open your private page: LINK',
      'Yard Steps: A step in the practice plan was changed back. See the current plan on your private page: LINK',
    ]);
  });

  it('taking one of two back leaves the other to be told', async () => {
    const before = (await texts()).length;
    const key = await readyFor('crane-lift');
    const step = await settle(key, 'up');
    await bed.report(childId, { question: 'on', words: 'Why?' });
    const asked = (await viewReview(bed.context, ines, null)).open.find((each) => each.kind === 'question')!.key;
    await settle(asked, 'wrote', { words: 'I will call.' });
    await undoDecision(bed.context, ines, step);
    minutes(10);
    await bed.runJobs();
    expect((await texts()).slice(before)).toEqual(['Yard Steps: There is a message from the therapist. Open your private page: LINK']);
  });

  it('nobody adds to a message, or takes out of it, once its time has come, though the runner is late', async () => {
    const before = (await texts()).length;
    const key = await readyFor('crane-lift');
    const step = await settle(key, 'up');
    minutes(10);
    await bed.report(childId, { question: 'on', words: 'Why?' });
    const asked = (await viewReview(bed.context, ines, null)).open.find((each) => each.kind === 'question')!.key;
    // The report's helper let the runner act; a message of its own waits from here.
    await settle(asked, 'wrote', { words: 'I will call.' });
    minutes(10);
    await undoDecision(bed.context, ines, step);
    const waiting = () => bed.read<{ kind: string }>("SELECT kind FROM messages WHERE status = 'waiting' ORDER BY id");
    expect(await waiting()).toEqual([{ kind: 'note' }, { kind: 'takenBack' }]);
    minutes(10);
    await bed.runJobs();
    expect((await texts()).slice(before)).toEqual([
      'Yard Steps: There is a new step in the practice plan. Open your private page: LINK',
      'Yard Steps: There is a message from the therapist. Open your private page: LINK',
      'Yard Steps: A step in the practice plan was changed back. See the current plan on your private page: LINK',
    ]);
  });

  it('a decision whose message is due is not taken back unsaid', async () => {
    const before = (await texts()).length;
    const step = await settle(await readyFor('crane-lift'), 'up');
    minutes(10);
    await undoDecision(bed.context, ines, step);
    minutes(10);
    await bed.runJobs();
    expect((await texts()).slice(before)).toHaveLength(2);
  });

  it('the minutes are a setting from 0 to 60 of who may change the workplace', async () => {
    const supervisor = { ...ines, role: 'supervisor' } as const;
    expect(await refusal(setHoldMinutes(bed.context, supervisor, '61'))).toBe('invalid');
    expect(await refusal(setHoldMinutes(bed.context, supervisor, '-1'))).toBe('invalid');
    expect(await refusal(setHoldMinutes(bed.context, { ...ines, role: 'assistant' }, '5'))).toBe('notAllowed');
    await setHoldMinutes(bed.context, supervisor, '0');
    const before = (await texts()).length;
    await sendProgram(bed.context, ines, { childId, expectedVersion: 1, draft: bed.draft(['wall-push']), cautionsRead: true });
    await bed.runJobs();
    expect(await texts()).toHaveLength(before + 1);
  });
});

describe('the link of a family', () => {
  it('is one that stands, and holds on with every message', async () => {
    const [{ expiresAt }] = await bed
      .read<{ expiresAt: string }>('SELECT expires_at AS expiresAt FROM family_links')
      .then((rows) => rows as [never]);
    bed.passDays(20);
    await sendLinkAgain(bed.context, ines, childId);
    await bed.runJobs();
    expect(new Set(await links()).size).toBe(1);
    const rows = await bed.read<{ expiresAt: string }>('SELECT expires_at AS expiresAt FROM family_links');
    expect(rows).toHaveLength(1);
    expect(new Date(rows[0]!.expiresAt).getTime()).toBeGreaterThan(new Date(expiresAt).getTime());
  });

  it('a new one closes the old at once', async () => {
    const old = (await links()).at(-1)!.split('/f/')[1]!;
    await sendNewLink(bed.context, ines, childId);
    expect(await refusal(viewFamily(bed.context, old))).toBe('linkRevoked');
    // Said in the family's language, with whom to ask; of a link that never was nothing is known.
    expect(await closedLink(bed.context, old)).toEqual({ language: 'en', lead: 'Ines Calloway-Brandt' });
    expect(await closedLink(bed.context, 'A'.repeat(32))).toBeNull();
    expect(await closedLink(bed.context, "' OR 1=1")).toBeNull();
    await bed.runJobs();
    const fresh = (await links()).at(-1)!.split('/f/')[1]!;
    expect(fresh).not.toBe(old);
    expect((await viewFamily(bed.context, fresh)).child.id).toBe(childId);
  });
});

describe('the days on which a therapist reads', () => {
  const days = async () => (await viewFamily(bed.context, await bed.newestToken(childId))).reader;

  it('stand on the page of every child whom they lead, in order and once; whoever else sets theirs changes nothing there', async () => {
    expect(await days()).toEqual({ name: 'Ines Calloway-Brandt', days: [] });
    await setReadDays(bed.context, ines, ['5', '2', '2']);
    await setReadDays(bed.context, await bed.person('Marit Oyelaran-Voss'), ['1']);
    expect((await days())!.days).toEqual([2, 5]);
    expect(await refusal(setReadDays(bed.context, ines, ['8']))).toBe('invalid');
    await setReadDays(bed.context, ines, []);
    expect((await days())!.days).toEqual([]);
  });
});

describe('silence', () => {
  it('an assistant notes a call, and sends no link', async () => {
    const teodor = await bed.person('Teodor Wray', 'assistant');
    await bed.share(childId, teodor, 'assist');
    bed.passDays(4);
    const { key } = (await viewReview(bed.context, teodor, null)).open.find(({ kind }) => kind === 'neverOpened')!;
    const told = { childId, key, answer: 'hold', expectedVersion: 1, laterDays: '3' };
    const before = await links();
    expect(await refusal(decide(bed.context, teodor, { ...told, silenceAction: 'newLink' }))).toBe('notAllowed');
    await decide(bed.context, teodor, { ...told, silenceAction: 'called', reason: 'Nobody answered.' });
    await bed.runJobs();
    expect(await links()).toEqual(before);
  });

  it('is met with a silenceAction, comes back on the day that was said, and tells what was done before', async () => {
    bed.passDays(4);
    const here = async () => (await viewReview(bed.context, ines, null)).open.find(({ kind }) => kind === 'neverOpened');
    const { key } = (await here())!;
    expect(await refusal(settle(key, 'hold', { silenceAction: 'called' }))).toBe('reasonNeeded');
    expect(await refusal(settle(key, 'hold', { silenceAction: 'sentAgain' }))).toBe('invalid');
    await settle(key, 'hold', { silenceAction: 'called', reason: 'The aunt has the phone now.', laterDays: '3' });
    expect(await here()).toBeUndefined();
    bed.passDays(2);
    expect(await here()).toBeUndefined();
    bed.passDays(1);
    const back = (await viewReview(bed.context, ines, null)).here!;
    expect(back).toMatchObject({
      decision: { kind: 'neverOpened' },
      earlierActions: [{ silenceAction: 'called', reason: 'The aunt has the phone now.' }],
    });
    const before = await links();
    await settle(back.decision.key, 'hold', { silenceAction: 'newLink', laterDays: '7' });
    await bed.runJobs();
    const after = await links();
    expect(after).toHaveLength(before.length + 1);
    expect(before).not.toContain(after.at(-1));
  });
});
