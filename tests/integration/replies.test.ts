import { createHmac } from 'node:crypto';
import { instant } from '@/core/calendar';
import type { Contact } from '@/core/students';
import type { PersonActor } from '@/server/actor';
import { sendDirect } from '@/server/messages/sendDirect';
import { sendProgram } from '@/server/programs/sendProgram';
import { strangerAddressOf } from '@/server/ports';
import { textFromPhone } from '@/server/reports/replies/fromPhone';
import { receiveText } from '@/server/reports/replies/receiveText';
import { isSigned } from '@/server/reports/replies/textSignature';
import { signText } from '../fixtures/signText';
import { decide } from '@/server/review/decide';
import { undoDecision } from '@/server/review/undoDecision';
import { viewReview } from '@/server/review/viewReview';
import { setHoldMinutes } from '@/server/settings/workplace';
import { newTestBed, refusal, type TestBed } from './testBed';

/** Tasks in the order of the program: letter A is star beams (8), B the crane (5 each hand), C the planks (6 pieces). */
const SLUGS = ['star-beams', 'crane-lift', 'cut-the-planks'];
const NUMBER = '+1 406 555 0142';

let bed: TestBed;
let ines: PersonActor;
let childId: number;
let count = 0;
const contact = (change: Partial<Contact> = {}): Contact => ({
  name: 'Nana',
  relation: 'grandmother',
  language: 'en',
  way: 'text',
  reach: NUMBER,
  quiet: null,
  mayBeSent: 'practice',
  ...change,
});
const family = (calledName: string, contacts: Contact[], language = 'en') =>
  bed.child(ines, { calledName, contacts, familyLanguage: language, homeLanguages: [language], reportWay: 'text' });

beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await family('Odalys', [contact()]);
  await bed.send(ines, childId, 0, SLUGS);
  await setHoldMinutes(bed.context, { ...ines, role: 'supervisor' }, '0');
});
afterEach(() => bed.close());

const text = (words: string, change: { from?: string; key?: string } = {}) =>
  receiveText(bed.context, { serviceKey: change.key ?? `sms-${(count += 1)}`, from: change.from ?? '(406) 555-0142', text: words });
const reports = (child = childId) =>
  bed.read<Record<string, unknown>>(
    `SELECT t.slug, r.left_count AS l, r.right_count AS r, CAST(r.amount AS DOUBLE) AS n, r.help, r.done, r.stop_reason AS why, r.said_by AS who, r.way,
       r.is_question AS q, r.safety_word AS hurt FROM reports r JOIN tasks t ON t.id = r.task_id WHERE r.child_id = :child ORDER BY r.id`,
    { child },
  );
/** What came back on the phone, without the texts that went out before. */
async function answers(child = childId): Promise<string[]> {
  await bed.runJobs();
  return (await bed.phone(child)).map(({ text: words }) => words).filter((words) => !words.includes('/f/'));
}

describe('a text that a family sends', () => {
  it('becomes reports, as good as those by a link, and is said back', async () => {
    expect(await text('A8 N, crane left 5 right 4, no planks, lost the scissors')).toEqual({ fresh: true, outcome: 'taken' });
    expect(await reports()).toEqual([
      { slug: 'star-beams', l: null, r: null, n: 8, help: 'alone', done: 1, why: null, who: 'Nana', way: 'text', q: 0, hurt: 0 },
      { slug: 'crane-lift', l: 5, r: 4, n: null, help: null, done: 1, why: null, who: 'Nana', way: 'text', q: 0, hurt: 0 },
      { slug: 'cut-the-planks', l: null, r: null, n: null, help: null, done: 0, why: 'missing', who: 'Nana', way: 'text', q: 0, hurt: 0 },
    ]);
    expect(await answers()).toEqual([
      'Yard Steps: Saved: Star beams 8, Crane lift left 5 right 4, Cut the planks not today. Your therapist will read your comment.',
    ]);
  });

  it('twice by the same key, or the same words at once under another, makes nothing twice', async () => {
    await text('A8', { key: 'same' });
    expect(await text('A8', { key: 'same' })).toEqual({ fresh: false, outcome: null });
    expect(await text('A8')).toEqual({ fresh: true, outcome: 'nothing' });
    await Promise.all([text('C6', { key: 'both' }), text('C6', { key: 'both' })]).catch(() => null);
    expect((await reports()).map(({ slug }) => slug)).toEqual(['star-beams', 'cut-the-planks']);
    expect(await answers()).toHaveLength(2);
  });

  it('in doubt is asked back once, and then left to a person', async () => {
    expect((await text('A7 and then crane 5')).outcome).toBe('asked');
    expect((await reports()).map(({ slug }) => slug)).toEqual(['star-beams']);
    expect((await answers()).at(-1)).toContain('Crane lift: is it 5 with each side, or 5 in all? Reply 1 for each side, 2 for in all.');
    expect((await text('1')).outcome).toBe('taken');
    expect((await reports()).at(-1)).toMatchObject({ slug: 'crane-lift', l: 5, r: 5 });
    expect((await text('planks about 4 or so')).outcome).toBe('asked');
    expect((await text('well, some')).outcome).toBe('person');
    expect((await answers()).at(-1)).toContain('Your therapist will read this message.');
    expect(await reports()).toHaveLength(2);
  });

  it('asked back and never answered, or answered by something else, comes to a person', async () => {
    const kinds = async () => (await viewReview(bed.context, ines, null)).open.map(({ kind }) => kind);
    await text('crane 5');
    expect(await kinds()).toEqual([]);
    bed.passDays(1.1);
    expect(await kinds()).toEqual(['text']);
    const { open } = await viewReview(bed.context, ines, null);
    await decide(bed.context, ines, { childId, key: open[0]!.key, answer: 'read', expectedVersion: 1 });
    expect(await kinds()).toEqual([]);
    await text('crane 4');
    await text('A8');
    expect(await kinds()).toEqual(['text']);
  });

  it('the same answer to a second question is an answer, not a repeat', async () => {
    await bed.send(ines, childId, 1, ['crane-lift', 'open-the-shutters']);
    for (const words of ['crane 5', '1', 'shutters 5', '1']) await text(words);
    expect((await reports()).map(({ slug, l, r }) => [slug, l, r])).toEqual([
      ['crane-lift', 5, 5],
      ['open-the-shutters', 5, 5],
    ]);
  });

  it('of a day before today’s step is filed at the step of that day', async () => {
    bed.passDays(1);
    const draft = bed.draft(SLUGS);
    const tasks = draft.tasks.map((task) => ({ ...task, step: 4, chooseTo: 5 }));
    await sendProgram(bed.context, ines, { childId, expectedVersion: 1, draft: { ...draft, tasks }, cautionsRead: true });
    await text('A8');
    await text('yesterday A7');
    expect(await bed.read('SELECT step, CAST(amount AS DOUBLE) AS n FROM reports ORDER BY id')).toEqual([
      { step: 4, n: 8 },
      { step: 3, n: 7 },
    ]);
  });

  it('an answer a day later is read by itself', async () => {
    await text('crane 5');
    bed.passDays(2);
    expect((await text('1')).outcome).toBe('asked');
    expect(await reports()).toEqual([]);
  });

  it('of a day that has its word is not counted twice: a person decides', async () => {
    await text('A8');
    expect((await text('A 7')).outcome).toBe('person');
    expect((await text('yesterday A7')).outcome).toBe('taken');
    expect((await reports()).map(({ n }) => n)).toEqual([8, 7]);
  });

  it('with harm in its words closes what it names, or else all, and says at once what to do', async () => {
    expect((await text('star beams 4. crane hurt his thumb')).outcome).toBe('danger');
    expect(await reports()).toMatchObject([{ slug: 'crane-lift', n: null, hurt: 1 }]);
    expect((await answers()).at(-1)).toMatch(/do not do "Crane lift" for now\. .*In an emergency, call 911/);
    expect((await text('A8 BL5R5')).outcome).toBe('person');
    expect((await text('she swallowed a bead')).outcome).toBe('danger');
    const stops = await bed.read('SELECT task_id FROM reports WHERE holds = 1');
    expect(stops).toHaveLength(4);
    const { open } = await viewReview(bed.context, ines, null);
    expect(open[0]!.kind).toMatch(/safetyWord/);
  });

  it('that nobody can read is a card with its words; read, it goes; taken back, it stands again', async () => {
    await text('can you call me after six');
    const { open, here } = await viewReview(bed.context, ines, null);
    expect(open.map(({ kind }) => kind)).toEqual(['text']);
    expect(here!.texts).toMatchObject([{ text: 'can you call me after six', saidBy: 'Nana', from: '+14065550142' }]);
    const { decisionId } = await decide(bed.context, ines, { childId, key: open[0]!.key, answer: 'read', expectedVersion: 1 });
    expect((await viewReview(bed.context, ines, null)).open).toEqual([]);
    await undoDecision(bed.context, ines, decisionId);
    expect((await viewReview(bed.context, ines, null)).open.map(({ kind }) => kind)).toEqual(['text']);
  });

  it('asks a question: it is kept with the report, and is a card', async () => {
    await text('A8. Should she sit?');
    expect(await reports()).toMatchObject([{ slug: 'star-beams', n: 8, q: 1 }]);
    expect((await viewReview(bed.context, ines, null)).open.map(({ kind }) => kind)).toEqual(['question']);
  });

  it('“no” is about what was planned for the day', async () => {
    await text('no, fever');
    expect((await reports()).map(({ done, why }) => [done, why])).toEqual(Array(3).fill([0, 'ill']));
    expect(await answers()).toEqual(['Yard Steps: Saved. all activities not today.']);
  });
});

describe('who wishes no more messages', () => {
  it('gets none, is told so once, and the therapist sees it; START begins again', async () => {
    expect((await text('STOP')).outcome).toBe('stopped');
    expect((await answers()).at(-1)).toContain('You will get no more texts at this number');
    const before = (await bed.phone(childId)).length;
    await bed.send(ines, childId, 1, SLUGS);
    expect(await bed.phone(childId)).toHaveLength(before);
    expect(await bed.read('SELECT status FROM messages ORDER BY id DESC LIMIT 1')).toEqual([{ status: 'withdrawn' }]);
    expect((await viewReview(bed.context, ines, null)).open.map(({ kind }) => kind)).toContain('text');
    // What they tell is heard all the same.
    expect((await text('A8')).outcome).toBe('taken');
    expect((await text('start')).outcome).toBe('started');
    await bed.send(ines, childId, 2, SLUGS);
    expect((await bed.phone(childId)).at(-1)!.text).toContain('/f/');
  });

  it('in the family’s language', async () => {
    const other = await family('Marisol', [contact({ reach: '406 555 0177', language: 'es' })], 'es');
    await bed.send(ines, other, 0, SLUGS);
    expect((await text('ALTO', { from: '+14065550177' })).outcome).toBe('stopped');
    expect((await answers(other)).at(-1)).toContain('ya no recibirá mensajes en este número');
  });
});

describe('whose text it is', () => {
  it('of two children on one number is told by the name; without one nobody guesses', async () => {
    const sister = await family('Linnea', [contact()]);
    await bed.send(ines, sister, 0, SLUGS);
    expect((await text('A8')).outcome).toBe('person');
    expect(await reports()).toEqual([]);
    expect((await text('Linnea A8')).outcome).toBe('taken');
    expect(await reports(sister)).toHaveLength(1);
    expect((await text('one of them got cut on the thumb, blood')).outcome).toBe('danger');
    expect((await reports()).concat(await reports(sister)).filter(({ hurt }) => hurt === 1)).toHaveLength(6);
  });

  it('of a number that nobody knows is kept, tells nothing, and is answered by nothing', async () => {
    expect((await text('A8', { from: '+1 406 555 0199' })).outcome).toBe('person');
    expect(await bed.read('SELECT child_id, text FROM incoming_texts')).toEqual([{ child_id: null, text: 'A8' }]);
    expect(await answers()).toEqual([]);
  });

  it('of a number that nobody knows, with harm in its words, gets fixed words once a day, and nothing of a child', async () => {
    const stranger = '+14065550199';
    expect((await text('he is choking', { from: stranger })).outcome).toBe('person');
    await text('there is blood', { from: stranger });
    await bed.runJobs();
    const told = (await bed.context.phone!.read(strangerAddressOf(stranger))).map(({ text: words }) => words);
    expect(told).toEqual([expect.stringMatching(/^If someone is hurt or sick, call the doctor\. In an emergency, call 911\. .+ 911/)]);
    expect(told.join()).not.toMatch(/Odalys|practice|task/i);
    bed.at(instant(bed.context.now() + 24 * 3_600_000));
    await text('he fell, blood', { from: stranger });
    await bed.runJobs();
    expect(await bed.context.phone!.read(strangerAddressOf(stranger))).toHaveLength(2);
  });

  it('in disorder comes out the same', async () => {
    const words = ['yesterday A7', 'A8', 'Monday C5'];
    for (const each of [...words].reverse()) await text(each);
    expect((await reports()).map(({ slug, n }) => `${String(slug)} ${String(n)}`).sort()).toEqual([
      'cut-the-planks 5',
      'star-beams 7',
      'star-beams 8',
    ]);
  });
});

describe('the pretend network', () => {
  const network = { fails: 0, delaySeconds: 0, twice: false, disorder: false };

  it('that fails brings every text of ours all the same, once', async () => {
    await bed.context.phone!.setNetwork({ ...network, fails: 2 });
    await text('A8');
    for (let tries = 0; tries < 6; tries += 1) {
      await bed.runJobs();
      bed.at(instant(bed.context.now() + 10 * 60_000));
    }
    expect(await answers()).toEqual(['Yard Steps: Saved. Star beams 8. Thank you!']);
  });

  it('that is late, brings things twice and in disorder makes the same reports', async () => {
    await bed.context.phone!.setNetwork({ fails: 0, delaySeconds: 30, twice: true, disorder: true });
    for (const words of ['A8', 'BL5R5', 'yesterday A6']) await textFromPhone(bed.context, ines, { childId, text: words });
    await bed.runJobs();
    expect(await reports()).toEqual([]);
    for (let seconds = 0; seconds < 90; seconds += 1) {
      bed.at(instant(bed.context.now() + 1_000));
      await bed.runJobs();
    }
    expect((await reports()).map(({ slug, n, l }) => `${String(slug)} ${String(n ?? l)}`).sort()).toEqual([
      'crane-lift 5',
      'star-beams 6',
      'star-beams 8',
    ]);
    expect(await answers()).toHaveLength(3);
  });

  it('is no network where real phones are reached', async () => {
    const real = { ...bed.context, phone: null };
    expect(await refusal(textFromPhone(real, ines, { childId, text: 'A8' }))).toBe('notFound');
  });
});

describe('a text in the therapist’s own words', () => {
  it('goes out as it is, never with the child’s name, never by an assistant', async () => {
    await sendDirect(bed.context, ines, { childId, words: 'I look at it on Friday.' });
    expect(await answers()).toEqual(['I look at it on Friday.']);
    expect(await refusal(sendDirect(bed.context, ines, { childId, words: 'How is ÓDALYS?' }))).toBe('invalid');
    const teodor = await bed.person('Teodor Wray', 'assistant');
    await bed.share(childId, teodor, 'assist');
    expect(await refusal(sendDirect(bed.context, teodor, { childId, words: 'Hello' }))).toBe('notAllowed');
  });
});

describe('what a text service signs', () => {
  const body = '{"serviceKey":"1","from":"+14065550142","text":"A8"}';
  const now = 1_795_000_000_000;
  it.each([
    ['as it was sent', signText(body, 'key', now / 1000), body, true],
    ['with another body', signText(body, 'key', now / 1000), body.replace('A8', 'A7'), false],
    ['with another key', signText(body, 'other', now / 1000), body, false],
    ['six minutes old', signText(body, 'key', now / 1000 - 360), body, false],
    ['from the future', signText(body, 'key', now / 1000 + 360), body, false],
    ['with its second changed', signText(body, 'key', now / 1000).replace(/t=\d+/, `t=${now / 1000 + 1}`), body, false],
    ['without a signature', null, body, false],
    ['with something else', 'v1=00', body, false],
  ])('is believed %s: %#', (_how, header, sent, isTrue) => {
    expect(isSigned(sent, header, 'key', now)).toBe(isTrue);
  });

  it('is an HMAC as RFC 4231 has it', () => {
    // RFC 4231, test case 2 is of the plain text; ours puts the second before it. The same primitive, from Node.
    expect(createHmac('sha256', 'Jefe').update('what do ya want for nothing?').digest('hex')).toBe(
      '5bdcc146bf60754e6a042426089575c75a003f089d2739839dec58b964ec3843',
    );
    expect(signText('x', 'Jefe', 7)).toBe(`t=7,v1=${createHmac('sha256', 'Jefe').update('7.x').digest('hex')}`);
  });
});

describe('letters', () => {
  it('come with the program to who answers by text, beside the link; who answers by link gets the link alone', async () => {
    expect((await bed.phone(childId))[0]!.text).toMatch(
      /\/f\/\S+ By text: A Star beams, B Crane lift, C Cut the planks\. Report like this: A8 BL5R5$/,
    );
    const other = await bed.child(ines, { calledName: 'Bram', contacts: [], familyLanguage: 'en', homeLanguages: ['en'] });
    await bed.send(ines, other, 0, SLUGS);
    expect((await bed.phone(other))[0]!.text).toMatch(/\/f\/\S+$/);
  });

  it('mean the same task after the program was changed', async () => {
    await bed.send(ines, childId, 1, ['tile-the-roof', 'star-beams', 'crane-lift']);
    await text('A8 D6');
    expect((await reports()).map(({ slug, n }) => `${String(slug)} ${String(n)}`)).toEqual(['star-beams 8', 'tile-the-roof 6']);
  });
});
