import { deleteChild } from '@/server/caseload/deleteChild';
import { viewChild } from '@/server/caseload/viewChild';
import { viewYard } from '@/server/caseload/viewYard';
import { revokeLink, sendLinkAgain } from '@/server/messages/links';
import { viewPost } from '@/server/messages/viewPost';
import { saveDraft } from '@/server/programs/saveDraft';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { sendProgram } from '@/server/programs/sendProgram';
import { decide } from '@/server/rounds/decide';
import { viewRounds } from '@/server/rounds/viewRounds';
import { setEmergencyNumber, viewSettings } from '@/server/settings/workplace';
import { actorOfToken, revokeSignIn, viewSignIns } from '@/server/people/sessions';
import { hashPassword, signIn } from '@/server/people/signIn';
import { addPerson, inTransaction } from '@/db';
import type { PersonActor } from '@/server/actor';
import { newTestBed, refusal, type TestBed } from './testBed';

const EVERYONE = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: false } as const;
let bed: TestBed;
let ines: PersonActor;
let other: PersonActor;
let assistant: PersonActor;
let childId: number;

beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  other = await bed.person('Marit Oyelaran-Voss');
  assistant = await bed.person('Teodor Wray', 'assistant');
  childId = await bed.child(ines);
  await bed.share(childId, assistant, 'assist');
  await bed.send(ines, childId);
});
afterAll(() => bed.close());

/** Every use case that names a child. */
const doors: [string, (actor: PersonActor) => Promise<unknown>, 'read' | 'change' | 'lead'][] = [
  ['view the child', (actor) => viewChild(bed.context, actor, childId), 'read'],
  ['view the phone', (actor) => viewPost(bed.context, actor, { phoneOf: childId, search: '' }), 'read'],
  ['view the builder', (actor) => viewBuilder(bed.context, actor, childId), 'change'],
  ['save a draft', (actor) => saveDraft(bed.context, actor, childId, bed.draft()), 'change'],
  [
    'send a program',
    (actor) => sendProgram(bed.context, actor, { childId, expectedVersion: 1, draft: bed.draft(), cautionsRead: true }),
    'change',
  ],
  ['decide a step', (actor) => decide(bed.context, actor, { childId, key: 'ready:1:1', answer: 'up', expectedVersion: 1 }), 'change'],
  ['send a link', (actor) => sendLinkAgain(bed.context, actor, childId), 'change'],
  ['close a link', (actor) => revokeLink(bed.context, actor, childId, 1), 'change'],
  ['delete the child', (actor) => deleteChild(bed.context, actor, childId, 'Odalys V.'), 'lead'],
];

describe('nobody reaches a child that is neither theirs nor shared with them', () => {
  it.each(doors)('%s', async (_name, door) => {
    expect(await refusal(door(other))).toBe('notFound');
  });

  it('nor finds one in lists', async () => {
    expect((await viewYard(bed.context, other, EVERYONE)).childCount).toBe(0);
    expect((await viewRounds(bed.context, other, null)).open).toEqual([]);
    expect((await viewPost(bed.context, other, { phoneOf: null, search: '' })).messages).toEqual([]);
  });

  it('and what was refused left no trace of change', async () => {
    expect(await bed.read('SELECT current_version FROM programs')).toEqual([{ current_version: 1 }]);
    expect(await bed.read('SELECT child_id FROM program_drafts')).toEqual([]);
  });
});

describe('an assistant reads and logs, and changes no program', () => {
  it.each(doors)('%s', async (_name, door, need) => {
    const answer = await refusal(door(assistant));
    expect(answer).toBe(need === 'read' ? 'not refused' : 'notAllowed');
  });

  it('nor sets what families are told to call', async () => {
    expect(await refusal(setEmergencyNumber(bed.context, assistant, '112'))).toBe('notAllowed');
    expect(await refusal(setEmergencyNumber(bed.context, ines, 'call mum'))).toBe('invalid');
    await setEmergencyNumber(bed.context, ines, '112');
    expect(await viewSettings(bed.context, ines)).toMatchObject({ emergencyNumber: '112' });
  });
});

describe('sharing', () => {
  it('opens the child to the other therapist, but not its deletion', async () => {
    await bed.share(childId, other, 'shared');
    expect((await viewChild(bed.context, other, childId)).child.calledName).toBe('Odalys');
    await saveDraft(bed.context, other, childId, bed.draft());
    expect(await refusal(deleteChild(bed.context, other, childId, 'Odalys V.'))).toBe('notAllowed');
  });
});

describe('signing in', () => {
  const password = 'a sound long password';
  const email = 'sign-in@tarrowhill.example';
  beforeAll(async () => {
    const passwordHash = await hashPassword(password);
    await inTransaction(bed.db, (work) => addPerson(work, { name: 'S', email, role: 'therapist', passwordHash }, bed.context.now()));
  });

  it('keeps an argon2id hash of the password and a hash of the token, never either', async () => {
    const { token } = await signIn(bed.context, { email: ` ${email.toUpperCase()} `, password, device: 'test' });
    const [person] = await bed.read<{ password_hash: string }>('SELECT password_hash FROM people WHERE email = :email', { email });
    expect(person!.password_hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    const stored = JSON.stringify(await bed.read('SELECT * FROM sign_ins'));
    expect(stored).not.toContain(token);
    expect(await actorOfToken(bed.context, token)).toMatchObject({ name: 'S', role: 'therapist' });
  });

  it('ends when revoked, when it runs out, and for a made-up token', async () => {
    const { token } = await signIn(bed.context, { email, password });
    const actor = await actorOfToken(bed.context, token);
    expect(await refusal(revokeSignIn(bed.context, other, actor.signInId))).toBe('notFound');
    expect((await viewSignIns(bed.context, actor)).map((each) => each.id)).toContain(actor.signInId);
    await revokeSignIn(bed.context, actor, actor.signInId);
    expect(await refusal(actorOfToken(bed.context, token))).toBe('signInNeeded');
    const second = await signIn(bed.context, { email, password });
    bed.passDays(15);
    expect(await refusal(actorOfToken(bed.context, second.token))).toBe('signInNeeded');
    bed.passDays(-15);
    for (const made of [undefined, '', 'x'.repeat(32), "' OR 1=1 --"])
      expect(await refusal(actorOfToken(bed.context, made))).toBe('signInNeeded');
  });

  it('answers the same for a wrong password and an unknown address, and slows down after eight tries', async () => {
    expect(await refusal(signIn(bed.context, { email: 'nobody@tarrowhill.example', password }))).toBe('signInFailed');
    const answers: string[] = [];
    for (let count = 0; count < 9; count += 1) answers.push(await refusal(signIn(bed.context, { email, password: 'wrong' })));
    expect(answers).toEqual([...Array<string>(8).fill('signInFailed'), 'tooManyTries']);
    expect(await refusal(signIn(bed.context, { email, password }))).toBe('tooManyTries');
    expect(await refusal(signIn(bed.context, { email, password: '' }))).toBe('signInFailed');
  });
});
