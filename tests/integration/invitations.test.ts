import { acceptInvitation, inviteFirst, viewInvitation } from '@/server/people/invitations';
import { actorOfToken } from '@/server/people/sessions';
import { signIn } from '@/server/people/signIn';
import { addStockTasks } from '@/server/tasks/stockLibrary';
import { viewYard } from '@/server/caseload/viewYard';
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
    expect(await viewInvitation(bed.context, token)).toEqual({ role: 'therapist', isFirst: true });
    const made = await acceptInvitation(bed.context, account(token));
    expect(made.email).toBe('ines@tarrowhill.example');
    const session = await signIn(bed.context, made);
    const ines = await actorOfToken(bed.context, session.token);
    expect(ines).toMatchObject({ name: 'Ines Calloway-Brandt', role: 'therapist' });
    const yard = await viewYard(bed.context, ines, { search: '', sort: 'name', filter: 'everyone', school: null, bySchool: false });
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

it('the stock library comes into an empty one once, and what stands there stays', async () => {
  const stock = loadLibrary();
  const known = bed.tasks.filter(({ content }) => stock.some(({ slug }) => slug === content.slug));
  await bed.write('DELETE v, t FROM task_versions v JOIN tasks t ON t.id = v.task_id WHERE t.slug <> :slug', {
    slug: known[0]!.content.slug,
  });
  const came = await addStockTasks(bed.context, stock);
  expect([came, await addStockTasks(bed.context, stock)]).toEqual([stock.length - 1, 0]);
  const versions = await bed.read('SELECT MAX(number) AS newest, COUNT(*) AS count FROM task_versions');
  expect(versions).toEqual([{ newest: 1, count: stock.length }]);
});
