import { CANDIDATES } from '@/core/simulation';
import { replayStay } from '@/core/simulation/replay';
import type { PersonActor } from '@/server/actor';
import { viewLab } from '@/server/stepRules/viewLab';
import { setAdvancingRule } from '@/server/stepRules/advancingRule';
import { decide } from '@/server/review/decide';
import { viewReview } from '@/server/review/viewReview';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
});
afterEach(() => bed.close());

/** Three days on which all was reached, and the step up that the rule then suggests. */
async function steppedUp(calledName: string): Promise<number> {
  const childId = await bed.child(ines, { calledName });
  await bed.send(ines, childId, 0, ['crane-lift']);
  for (let day = 0; day < 3; day += 1) {
    await bed.report(childId, { left: '5', right: '5', help: 'alone' });
    if (day < 2) bed.passDays(1);
  }
  const card = (await viewReview(bed.context, ines, null)).open.find((each) => each.childId === childId && each.kind === 'ready')!;
  await decide(bed.context, ines, { childId, key: card.key, answer: 'up', expectedVersion: 1 });
  return childId;
}

describe('the log under other rules', () => {
  it('is replayed stay by stay: two in a row sooner, three the same day, four not by then', async () => {
    const childId = await steppedUp('Odalys');
    const { replays, child, log } = await viewLab(bed.context, ines, { child: String(childId) });
    expect(child).toMatchObject({ childId });
    const of = (id: string) => replays.find((each) => each.id === id)!.figures;
    expect(of('row2')).toMatchObject({ stays: 1, up: 1, sooner: 1, medianDaysSooner: 1 });
    expect(of('row3')).toMatchObject({ same: 1, up: 1 });
    expect(of('row4')).toMatchObject({ later: 1, up: 0 });
    expect(log).toMatchObject({ children: 1, reachedShare: 1, struggledShare: 0 });
    // The same, asked of the database beside the program: the stay as it stands there.
    const rows = await bed.read<{ on: string }>('SELECT done_on AS `on` FROM reports WHERE child_id = :childId ORDER BY done_on', {
      childId,
    });
    expect(rows).toHaveLength(3);
    const sessions = rows.map(({ on }, index) => ({
      reportId: index,
      doneOn: on as never,
      step: 3,
      versionNumber: 1,
      done: true,
      amount: 10,
      target: 10,
      help: 'alone' as const,
      effort: 'right' as const,
      stopReason: null,
      safetyWord: false,
    }));
    const outcomes = { reachedShare: 0.8, struggledShare: 0.5, mostHelp: 'shown' as const };
    const stay = { step: 3, stepCount: 7, sinceVersion: 1, sessions, ended: { move: 'up' as const, on: rows[2]!.on as never }, outcomes };
    expect(replayStay(stay, CANDIDATES.row2)).toMatchObject({ compared: 'sooner', days: 1 });
  });

  it('is of one’s own children alone; an assistant has no lab', async () => {
    const childId = await steppedUp('Odalys');
    const marit = await bed.person('Marit Oyelaran-Voss');
    expect(await refusal(viewLab(bed.context, marit, { child: String(childId) }))).toBe('notFound');
    const none = await viewLab(bed.context, marit, {});
    expect(none).toMatchObject({ children: [], ladders: [], log: null });
    expect(none.replays.every(({ figures }) => figures.stays === 0)).toBe(true);
    const noor = await bed.person('Noor', 'assistant');
    expect(await refusal(viewLab(bed.context, noor, {}))).toBe('notAllowed');
  });

  it('lends a trial the ladders of the caseload, each once, with what their steps demand and ask for', async () => {
    for (const name of ['Odalys', 'Matteo']) {
      const childId = await bed.child(ines, { calledName: name });
      await bed.send(ines, childId);
    }
    const { ladders } = await viewLab(bed.context, ines, {});
    expect(ladders.map(({ slug }) => slug).sort()).toEqual(['crane-lift', 'open-the-shutters']);
    const { demands, startStep, target } = ladders.find(({ slug }) => slug === 'crane-lift')!;
    expect(demands).toHaveLength(7);
    expect([...demands].sort((one, other) => one - other)).toEqual(demands);
    expect(startStep).toBeGreaterThanOrEqual(1);
    expect(target).toBe(10);
  });

  it('leads to a rule that is taken with its reason', async () => {
    await setAdvancingRule(bed.context, ines, { rule: 'mOfN', reason: 'Fewer struggles in the replay.' });
    expect(await viewLab(bed.context, ines, {})).toMatchObject({ ownRule: 'mOfN', ownReason: 'Fewer struggles in the replay.' });
    expect(await refusal(setAdvancingRule(bed.context, ines, { rule: 'mine', reason: '' }))).toBe('invalid');
    expect(await refusal(setAdvancingRule(bed.context, ines, { rule: 'band', reason: 'x'.repeat(301) }))).toBe('invalid');
  });
});
