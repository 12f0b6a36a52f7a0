import { addDays, calendarDayInZone, instant } from '@/core/calendar';
import type { PersonActor } from '@/server/actor';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { viewFamily } from '@/server/reports/viewFamily';
import { decide } from '@/server/review/decide';
import { undoDecision } from '@/server/review/undoDecision';
import { viewReview } from '@/server/review/viewReview';
import { setHoldMinutes } from '@/server/settings/workplace';
import { newTestBed, refusal, ZONE, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let childId: number;
let token: string;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines, { familyLanguage: 'en', homeLanguages: ['en'] });
  await bed.send(ines, childId);
  token = await bed.newestToken(childId);
  await viewFamily(bed.context, token);
  bed.passDays(9);
  await setHoldMinutes(bed.context, { ...ines, role: 'supervisor' }, '10');
});
afterEach(() => bed.close());

const today = () => calendarDayInZone(bed.context.now(), ZONE);
const quiet = async () => (await viewReview(bed.context, ines, null)).open.find(({ kind }) => kind === 'quiet');
const program = async () => (await viewFamily(bed.context, token)).version!;

async function settle(more: Record<string, unknown>): Promise<number> {
  const { key } = (await quiet())!;
  const { number } = await program();
  return (await decide(bed.context, ines, { childId, key, answer: 'hold', expectedVersion: number, ...more })).decisionId;
}

async function lastText(): Promise<string> {
  bed.at(instant(bed.context.now() + 11 * 60_000));
  await bed.runJobs();
  return (await bed.phone(childId)).at(-1)!.text.replace(/https?:\S+/, 'LINK');
}

describe('a practice that rests', () => {
  it('asks nothing till its day, moves its end as far, and is told; silence counts from then on', async () => {
    const before = await program();
    const day = addDays(today(), 14);
    await settle({ silenceAction: 'paused', fromDay: day });
    expect(await lastText()).toBe('Yard Steps: Home practice is paused. Your private page says when it starts again: LINK');
    expect(await program()).toMatchObject({ number: 2, resumesOn: day, endsOn: addDays(before.endsOn, 14), isEnded: false });
    const [row] = (
      await viewCaseload(bed.context, ines, { search: '', sort: 'name', filter: 'everyone', school: null, bySchool: false })
    ).groups.flatMap(({ rows }) => rows);
    expect(row!.rest).toEqual({ kind: 'until', day });
    bed.passDays(14 + 6);
    expect(await quiet()).toBeUndefined();
    bed.passDays(1);
    expect(await quiet()).toMatchObject({ days: 7 });
  });

  it('goes on through what else is decided meanwhile', async () => {
    for (let day = 0; day < 3; day += 1) {
      await bed.report(childId, { versionTaskId: await bed.versionTaskId(childId), help: 'alone', left: '5', right: '5' });
      bed.passDays(1);
    }
    bed.passDays(6);
    const day = addDays(today(), 5);
    await settle({ silenceAction: 'paused', fromDay: day });
    const ready = (await viewReview(bed.context, ines, null)).open.find(({ kind }) => kind === 'ready')!;
    await decide(bed.context, ines, { childId, key: ready.key, answer: 'up', expectedVersion: 2 });
    expect(await program()).toMatchObject({ number: 3, resumesOn: day });
  });

  it.each([
    ['no day', 'soon'],
    ['today', '0'],
    ['four months and more', '121'],
  ])('%s is refused', async (_, days) => {
    const fromDay = days === 'soon' ? days : addDays(today(), Number(days));
    expect(await refusal(settle({ silenceAction: 'paused', fromDay }))).toBe('invalid');
    expect((await program()).number).toBe(1);
  });

  it('is taken back as it was, unless something was sent since', async () => {
    const { endsOn } = await program();
    const decisionId = await settle({ silenceAction: 'paused', fromDay: addDays(today(), 3) });
    await undoDecision(bed.context, ines, decisionId);
    expect(await program()).toMatchObject({ number: 3, resumesOn: null, endsOn });
    expect(await quiet()).toBeDefined();
    const again = await settle({ silenceAction: 'paused', fromDay: addDays(today(), 3) });
    await bed.send(ines, childId, 4);
    expect(await program()).toMatchObject({ number: 5, resumesOn: null });
    expect(await refusal(undoDecision(bed.context, ines, again))).toBe('goneOn');
  });
});

describe('a practice that a person ended', () => {
  it('asks for nothing on any later day, thanks the family, and is begun again by a new program', async () => {
    await settle({ silenceAction: 'ended' });
    expect(await lastText()).toBe('Yard Steps: Home practice ends here for now. Thank you for all your work. Your private page: LINK');
    expect(await program()).toMatchObject({ isEnded: true, endsOn: today() });
    for (const days of [1, 7, 14, 28]) {
      bed.passDays(days);
      expect((await viewReview(bed.context, ines, null)).open).toEqual([]);
    }
    await bed.send(ines, childId, 2);
    expect(await program()).toMatchObject({ number: 3, isEnded: false });
  });

  it('is no act of an assistant', async () => {
    const teodor = await bed.person('Teodor Wray', 'assistant');
    await bed.share(childId, teodor, 'assist');
    const { key } = (await quiet())!;
    const told = { childId, key, answer: 'hold', expectedVersion: 1, silenceAction: 'ended' };
    expect(await refusal(decide(bed.context, teodor, told))).toBe('notAllowed');
    expect((await program()).isEnded).toBe(false);
  });
});
