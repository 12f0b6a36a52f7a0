import { addDays, calendarDayInZone, weekdayOf } from '@/core/calendar';
import { CHILDREN, DEMO_TIME_ZONE, type FamilyKind } from '../../demo/children';
import { NEW_FAMILY } from '../../demo/family';
import { playOn, type LivedDemo } from '../../demo/playOn';
import type { PersonActor } from '@/server/actor';
import { newTestBed, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let lived: LivedDemo;
const FAMILIES = ['steady', 'texts', 'paper'] as const satisfies readonly FamilyKind[];
let childIds: number[];

beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childIds = [];
  for (const kind of FAMILIES) {
    const childId = await bed.child(ines, {
      familyLanguage: 'en',
      reportWay: kind === 'steady' ? 'link' : kind === 'texts' ? 'text' : 'paper',
    });
    await bed.send(ines, childId);
    childIds.push(childId);
  }
  const today = calendarDayInZone(bed.context.now(), DEMO_TIME_ZONE);
  const families = FAMILIES.map((kind, place) => ({
    childId: childIds[place]!,
    index: CHILDREN.findIndex((each) => each.kind === kind),
    state: NEW_FAMILY,
    slip: [],
  }));
  lived = { begun: today, firstEnd: today, livedUpTo: today, therapistId: ines.personId, families };
});
afterEach(() => bed.close());

const play = (from: LivedDemo, days: number) => playOn(bed.context, bed.at, from, addDays(from.livedUpTo, days));
const reports = () => bed.read<{ childId: number }>('SELECT child_id AS childId FROM reports ORDER BY id');
/** All that was told, in one text. */
const sum = async () =>
  (
    await bed.read<{ told: string }>(
      `SELECT GROUP_CONCAT(task_id, ' ', done_on, ' ', step, ' ', COALESCE(amount, CONCAT(left_count, '/', right_count), ''), ' ', IFNULL(help, '') ORDER BY child_id, done_on, task_id) AS told FROM reports`,
    )
  )[0]!.told;

describe('two weeks that are played', () => {
  it('come in by form, text and slip, on days after those that were lived, and no decision is made', async () => {
    const after = await play(lived, 14);
    const told = await bed.read<{ childId: number; way: string; first: string; last: string }>(
      'SELECT child_id AS childId, way, MIN(done_on) AS first, MAX(done_on) AS last FROM reports GROUP BY child_id, way ORDER BY child_id',
    );
    expect(told.map(({ childId, way }) => ({ childId, way }))).toEqual([
      { childId: childIds[0], way: 'link' },
      { childId: childIds[1], way: 'text' },
      { childId: childIds[2], way: 'paper' },
    ]);
    for (const { first, last } of told) {
      expect(first > lived.livedUpTo).toBe(true);
      expect(last <= after.livedUpTo).toBe(true);
    }
    // Each text stands as it came, whatever was read in it.
    const [texts] = await bed.read<{ count: number }>('SELECT COUNT(*) AS count FROM incoming_texts');
    expect(texts!.count).toBeGreaterThan(2);
    expect(await bed.read('SELECT 1 FROM decisions')).toEqual([]);
    expect(weekdayOf(after.livedUpTo)).toBe(weekdayOf(lived.livedUpTo));
  });

  it('are the same days whether they are played at once or one by one', async () => {
    const whole = await play(lived, 6);
    const together = await sum();
    await bed.write('DELETE FROM reports');
    await bed.write('DELETE FROM incoming_texts');
    let step = lived;
    for (let day = 0; day < 6; day += 1) step = JSON.parse(JSON.stringify(await play(step, 1))) as LivedDemo;
    expect(step).toEqual(JSON.parse(JSON.stringify(whole)));
    expect(await sum()).toBe(together);
    expect(together).not.toBeNull();
  });

  it('leave out who was taken out of the demo, and whose link was closed', async () => {
    await bed.write('UPDATE family_links SET revoked_at = NOW(3) WHERE child_id = :childId', { childId: childIds[0] });
    await bed.write('DELETE FROM children WHERE id = :childId', { childId: childIds[2] });
    const after = await play(lived, 14);
    expect(after.families).toHaveLength(2);
    expect(new Set((await reports()).map(({ childId }) => childId))).toEqual(new Set([childIds[1]]));
  });
});
