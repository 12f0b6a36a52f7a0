import { acceptInvitation, invite, inviteFirst, revokeInvitation, viewInvitation } from '@/server/accounts/invitations';
import { changePassword } from '@/server/accounts/password';
import { viewSettings } from '@/server/settings/workplace';
import { actorOfToken } from '@/server/accounts/sessions';
import { signIn } from '@/server/accounts/signIn';
import { addStockTasks } from '@/server/tasks/stockLibrary';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { loadLibrary } from '../../library/loadLibrary';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
beforeEach(async () => {
  bed = await newTestBed();
});
afterEach(() => bed.close());

const account = (token: string, change: Record<string, unknown> = {}) => ({
  token,
  name: 'Ines Calloway-Brandt',
  email: ' Ines@TarrowHill.example ',
  password: 'one step at a time',
  timeZone: 'America/Denver',
  emergencyNumber: '911',
  ...change,
});

describe('the first account', () => {
  it('is made once, by the newest link alone; whoever made it signs in and sees an empty yard', async () => {
    const old = (await inviteFirst(bed.context))!;
    const token = (await inviteFirst(bed.context))!;
    expect(await refusal(viewInvitation(bed.context, old))).toBe('linkUnknown');
    expect(await viewInvitation(bed.context, token)).toMatchObject({ role: 'therapist', isFirst: true });
    const made = await acceptInvitation(bed.context, account(token));
    expect(made.email).toBe('ines@tarrowhill.example');
    const session = await signIn(bed.context, made);
    const ines = await actorOfToken(bed.context, session.token);
    expect(ines).toMatchObject({ name: 'Ines Calloway-Brandt', role: 'therapist' });
    const yard = await viewCaseload(bed.context, ines, { search: '', sort: 'name', filter: 'everyone', school: null, bySchool: false });
    expect(yard.childCount).toBe(0);
    expect(await bed.read('SELECT time_zone, emergency_number FROM workplace')).toEqual([
      { time_zone: 'America/Denver', emergency_number: '911' },
    ]);
    expect(await refusal(acceptInvitation(bed.context, account(token, { email: 'other@tarrowhill.example' })))).toBe('linkRevoked');
    expect(await inviteFirst(bed.context)).toBeNull();
  });

  it('is one, however many use the link at once', async () => {
    const token = (await inviteFirst(bed.context))!;
    const tries = [1, 2, 3, 4].map((who) => acceptInvitation(bed.context, account(token, { email: `p${who}@tarrowhill.example` })));
    const ended = await Promise.allSettled(tries);
    expect(ended.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect(await bed.read('SELECT COUNT(*) AS count FROM people')).toEqual([{ count: 1 }]);
  });

  it('is not to be had by a link that has run out, is made up or is none', async () => {
    const token = (await inviteFirst(bed.context))!;
    for (const none of ['x', '', 'y'.repeat(32), `${token} `, "' OR 1=1 --"])
      expect(await refusal(viewInvitation(bed.context, none))).toBe('linkUnknown');
    bed.passDays(7);
    expect(await refusal(acceptInvitation(bed.context, account(token)))).toBe('linkExpired');
    expect(await bed.read('SELECT COUNT(*) AS count FROM people')).toEqual([{ count: 0 }]);
  });

  it.each([
    ['a short password', { password: 'stepbystep' }],
    ['a password that many have', { password: 'football2026!' }],
    ['a password with the name in it', { password: 'Ines Calloway-Brandt 1' }],
    ['a password with the address in it', { email: 'sawhorse@tarrowhill.example', password: 'my sawhorse again' }],
    ['an address that is none', { email: 'ines at tarrowhill' }],
    ['a time zone that is none', { timeZone: 'Tarrow/Hill' }],
    ['words for a number', { emergencyNumber: 'call mum' }],
    ['no name', { name: ' ' }],
  ])('%s is refused, and the link stays open', async (_, change) => {
    const token = (await inviteFirst(bed.context))!;
    expect(await refusal(acceptInvitation(bed.context, account(token, change)))).toBe('invalid');
    expect(await viewInvitation(bed.context, token)).toMatchObject({ isFirst: true });
  });
});

describe('a colleague', () => {
  it('is invited with a role by who may change the workplace, asked for no place, and the link opens once', async () => {
    const ines = await bed.person('Ines Calloway-Brandt');
    const { link } = await invite(bed.context, ines, { role: 'assistant' });
    const token = link.split('/set-up/')[1]!;
    expect(await viewInvitation(bed.context, token)).toMatchObject({ role: 'assistant', isFirst: false });
    const {
      timeZone: _zone,
      emergencyNumber: _number,
      ...told
    } = account(token, { name: 'Teodor Wray', email: 'teodor@tarrowhill.example' });
    const made = await acceptInvitation(bed.context, told);
    const teodor = await actorOfToken(bed.context, (await signIn(bed.context, made)).token);
    expect(teodor.role).toBe('assistant');
    expect(await refusal(invite(bed.context, teodor, { role: 'supervisor' }))).toBe('notAllowed');
    expect(await refusal(invite(bed.context, ines, { role: 'owner' }))).toBe('invalid');
    expect((await viewSettings(bed.context, ines)).people.map(({ name, role }) => [name, role])).toEqual([
      ['Ines Calloway-Brandt', 'therapist'],
      ['Teodor Wray', 'assistant'],
    ]);
  });

  it('comes by no invitation that was taken back, nor by an address that somebody has', async () => {
    const ines = await bed.person('Ines Calloway-Brandt');
    const { link } = await invite(bed.context, ines, { role: 'therapist' });
    const token = link.split('/set-up/')[1]!;
    const [open] = (await viewSettings(bed.context, ines)).invitations;
    const [{ email }] = (await bed.read<{ email: string }>('SELECT email FROM people')) as [{ email: string }];
    expect(await refusal(acceptInvitation(bed.context, account(token, { name: 'Teodor Wray', email })))).toBe('invalid');
    await revokeInvitation(bed.context, ines, open!.id);
    expect(await refusal(viewInvitation(bed.context, token))).toBe('linkUnknown');
    expect(await refusal(revokeInvitation(bed.context, ines, open!.id))).toBe('notFound');
  });
});

describe('a password', () => {
  it('is changed by who knows the present one; every other place is signed out', async () => {
    const made = await acceptInvitation(bed.context, account((await inviteFirst(bed.context))!));
    const here = await signIn(bed.context, made);
    const there = await signIn(bed.context, made);
    const ines = await actorOfToken(bed.context, here.token);
    const change = (current: string, password: string) => refusal(changePassword(bed.context, ines, { current, password }));
    expect(await change('one step at a tim', 'four words and a plank')).toBe('invalid');
    expect(await change(made.password, 'too short')).toBe('invalid');
    expect(await change(made.password, 'ines calloway-brandt it is')).toBe('invalid');
    await changePassword(bed.context, ines, { current: made.password, password: 'four words and a plank' });
    expect(await refusal(actorOfToken(bed.context, there.token))).toBe('signInNeeded');
    expect((await actorOfToken(bed.context, here.token)).personId).toBe(ines.personId);
    expect(await refusal(signIn(bed.context, made))).toBe('signInFailed');
    await signIn(bed.context, { ...made, password: 'four words and a plank' });
  });

  it('is not guessed at without end by who found a session open', async () => {
    const made = await acceptInvitation(bed.context, account((await inviteFirst(bed.context))!));
    const ines = await actorOfToken(bed.context, (await signIn(bed.context, made)).token);
    const guesses: string[] = [];
    for (let guess = 0; guess < 10; guess += 1)
      guesses.push(await refusal(changePassword(bed.context, ines, { current: `guess ${guess}`, password: 'four words and a plank' })));
    expect(guesses.slice(-2)).toEqual(['tooManyTries', 'tooManyTries']);
  });
});

it('the stock library comes into an empty one once', async () => {
  const stock = loadLibrary();
  const known = bed.tasks.filter(({ content }) => stock.some(({ slug }) => slug === content.slug));
  const { slug } = known[0]!.content;
  await bed.write('DELETE v FROM task_versions v JOIN tasks t ON t.id = v.task_id WHERE t.slug <> :slug', { slug });
  await bed.write('DELETE FROM tasks WHERE slug <> :slug', { slug });
  const came = await addStockTasks(bed.context, stock);
  expect([came, await addStockTasks(bed.context, stock)]).toEqual([stock.length - 1, 0]);
  const versions = await bed.read('SELECT MAX(number) AS newest, COUNT(*) AS count FROM task_versions');
  expect(versions).toEqual([{ newest: 1, count: stock.length }]);
});
