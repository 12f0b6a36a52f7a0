import { addDays, calendarDay, calendarDayInZone, instant, type Instant } from '@/core/calendar';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { viewFamily } from '@/server/reports/viewFamily';
import { decide } from '@/server/review/decide';
import { undoDecision } from '@/server/review/undoDecision';
import { viewReview } from '@/server/review/viewReview';
import type { PersonActor } from '@/server/actor';
import { newTestBed, refusal, ZONE, type TestBed } from './testBed';

const EVERYONE = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: false } as const;

let bed: TestBed;
let ines: PersonActor;
let childId: number;
afterEach(() => bed.close());

async function begin(moment: Instant): Promise<void> {
  bed = await newTestBed();
  bed.at(moment);
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines);
  await bed.send(ines, childId);
}

/** The last reports of three days lie on the day itself and the two before it, whatever the clocks do in between. */
describe.each([
  ['a school day', '2026-11-18T18:00:00Z', '2026-11-18'],
  ['a Saturday', '2026-11-21T18:00:00Z', '2026-11-21'],
  ['a day of the winter break', '2026-12-28T18:00:00Z', '2026-12-28'],
  ['the hour that comes twice in autumn, for the first time', '2026-11-01T07:30:00Z', '2026-11-01'],
  ['the same hour, for the second time', '2026-11-01T08:30:00Z', '2026-11-01'],
  ['the morning after the hour that is left out in spring', '2027-03-14T09:30:00Z', '2027-03-14'],
  ['23:59 on the day that has 23 hours', '2027-03-15T05:59:00Z', '2027-03-14'],
  ['29 February', '2028-02-29T18:00:00Z', '2028-02-29'],
  ['the last minute of the year', '2027-01-01T06:59:00Z', '2026-12-31'],
  ['the first minute of the year', '2027-01-01T07:00:00Z', '2027-01-01'],
  ['23:59 in the family’s zone', '2026-11-26T06:59:00Z', '2026-11-25'],
])('%s', (_name, at, local) => {
  const day = calendarDay(local);
  const moment = instant(Date.parse(at));

  it('is the family’s own day: reported, put right, planned and shown as such', async () => {
    await begin(moment);
    expect(calendarDayInZone(bed.context.now(), ZONE)).toBe(day);
    const { reportId } = await bed.report(childId, { left: '2', right: '2' });
    await bed.report(childId, { left: '5', right: '5', corrects: String(reportId) });
    expect(await bed.read('SELECT done_on FROM reports')).toEqual([{ done_on: day }]);
    const family = await viewFamily(bed.context, await bed.newestToken(childId));
    expect(family.today).toBe(day);
    const yard = await viewCaseload(bed.context, ines, EVERYONE);
    expect([yard.days.at(-1), yard.days[0]]).toEqual([day, addDays(day, -13)]);
    expect(yard.groups[0]!.rows[0]).toMatchObject({ daysSinceWord: 0, practice: { adherence: { planned: 1, knownDone: 1 } } });
  });

  it('closes three good days: the step is offered, taken and taken back', async () => {
    await begin(instant(moment - 2 * 86_400_000));
    for (let back = 2; back >= 0; back -= 1) {
      bed.at(moment);
      await bed.report(childId, { doneOn: addDays(day, -back) });
    }
    const { decision, program } = (await viewReview(bed.context, ines, null)).here!;
    expect(decision.suggestion).toMatchObject({ move: 'up', evidence: { reachedInARow: 3, reachedOnDays: 3 } });
    const input = { childId, key: decision.key, answer: 'up', expectedVersion: program.number };
    const { decisionId } = await decide(bed.context, ines, input);
    expect((await viewReview(bed.context, ines, null)).settledToday).toHaveLength(1);
    expect(await refusal(undoDecision(bed.context, ines, decisionId))).toBe('not refused');
  });
});
