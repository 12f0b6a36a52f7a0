import type { PersonActor } from '@/server/actor';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { deleteCaseloadView, saveCaseloadView } from '@/server/caseload/savedViews';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
});
afterEach(() => bed.close());

const OPTIONS = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: false } as const;
const kept = async (actor = ines) =>
  (await viewCaseload(bed.context, actor, OPTIONS)).kept.map(({ name, address }) => `${name} ${address}`);

describe('a way of looking at the yard', () => {
  it('is kept by a name of one’s own, anew under the same name, and is nobody else’s', async () => {
    await saveCaseloadView(bed.context, ines, { name: 'Left', address: 'search=left' });
    await saveCaseloadView(bed.context, ines, { name: 'Left', address: 'search=left&cols=steps.word' });
    await saveCaseloadView(bed.context, ines, { name: 'Fridays', address: 'school=Fold+Lane+School' });
    expect(await kept()).toEqual(['Fridays school=Fold+Lane+School', 'Left search=left&cols=steps.word']);
    const marit = await bed.person('Marit Oyelaran-Voss', 'supervisor');
    expect(await kept(marit)).toEqual([]);
    const [{ id }] = (await bed.read<{ id: number }>('SELECT id FROM yard_views LIMIT 1')) as [{ id: number }];
    expect(await refusal(deleteCaseloadView(bed.context, marit, { id }))).toBe('notFound');
    await deleteCaseloadView(bed.context, ines, { id });
    expect(await kept()).toHaveLength(1);
  });

  it('has a name, leads nowhere else, and there are twenty at most', async () => {
    for (const wrong of [
      { name: '  ', address: '' },
      { name: 'Away', address: '//evil.test' },
      { name: 'Away', address: 'a=1#b' },
      { name: 'x'.repeat(41), address: '' },
      {},
    ])
      expect(await refusal(saveCaseloadView(bed.context, ines, wrong))).toBe('invalid');
    for (let each = 0; each < 20; each += 1) await saveCaseloadView(bed.context, ines, { name: `View ${each}`, address: '' });
    expect(await refusal(saveCaseloadView(bed.context, ines, { name: 'One more', address: '' }))).toBe('invalid');
    await saveCaseloadView(bed.context, ines, { name: 'View 3', address: 'days=28' });
  });
});

describe('a child’s row', () => {
  it('tells the next review among its open goals, and whom to reach first', async () => {
    const childId = await bed.child(ines, {
      contacts: [
        {
          name: 'Nana',
          relation: 'grandmother',
          language: 'es',
          way: 'call',
          reach: '555 0134',
          quiet: { from: '20:00', to: '07:00' },
          mayBeSent: 'practice',
        },
      ],
    });
    const row = async () => (await viewCaseload(bed.context, ines, OPTIONS)).groups[0]!.rows[0]!;
    expect(await row()).toMatchObject({ reviewOn: null, contact: 'Nana (grandmother), 555 0134' });
    const add = (reviewOn: string, closed: string | null) =>
      bed
        .write(`INSERT INTO goals (child_id, current_version, closed_on) VALUES (:childId, 1, :closed);`, { childId, closed })
        .then(() =>
          bed.write(
            `INSERT INTO goal_versions (goal_id, number, content, why, written_by, written_at) SELECT MAX(id), 1, JSON_OBJECT('reviewOn', :reviewOn), '', :by, NOW(3) FROM goals`,
            { reviewOn, by: ines.personId },
          ),
        );
    await add('2026-12-10', null);
    await add('2026-11-30', null);
    await add('2026-10-01', '2026-10-02');
    expect((await row()).reviewOn).toBe('2026-11-30');
  });
});
