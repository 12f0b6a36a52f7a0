import { addDays, calendarDayInZone } from '@/core/calendar';
import type { PersonActor } from '@/server/actor';
import { writeGoal } from '@/server/goals/writeGoal';
import { viewKits } from '@/server/kits/viewKits';
import { countStock, handOverKit, kitCameBack, packKit, unpackKit } from '@/server/kits/packKit';
import { kitsForFile } from '@/server/kits/kitsForFile';
import { viewSlips } from '@/server/kits/viewSlips';
import { planCaseload } from '@/server/planner/planCaseload';
import { deletePlan, acceptAllPlans, acceptPlan, viewPlans } from '@/server/planner/viewPlans';
import { deleteTemplate, giveTemplate, saveTemplate } from '@/server/planner/weekTemplates';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { kitsFile, shoppingFile } from '@/ui/desk/kits/kitWords';
import { addSchoolYear, inTransaction } from '@/db';
import { newTestBed, refusal, ZONE, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
});
afterEach(() => bed.close());

const today = () => calendarDayInZone(bed.context.now(), ZONE);
const plan = async (options: object = {}, onChild: (done: number, of: number) => Promise<boolean> = async () => true) =>
  planCaseload(bed.context, ines, options, onChild);
async function withGoal(slugs: string[], calledName = 'Odalys'): Promise<number> {
  const childId = await bed.child(ines, { calledName, materialsAtHome: ['paper', 'clear-floor'] });
  await bed.send(ines, childId, 0, slugs);
  const goal = {
    skill: 'forceModulation',
    statement: 'Lifts without crushing',
    measure: { kind: 'count', of: 10, from: 2, to: 8, baselineOn: today() },
    mostHelp: 'words',
    sessions: 3,
    reviewOn: addDays(today(), 70),
    taskIds: [bed.tasks.find(({ content }) => content.slug === 'crane-lift')!.taskId],
  };
  await writeGoal(bed.context, ines, { childId, goalId: null, seenVersion: 0, why: '', goal });
  return childId;
}

describe('the next week of a caseload', () => {
  it('is proposed child by child by the real solver, taken as a draft, and sent by nobody', async () => {
    const ids = [await withGoal(['crane-lift', 'star-beams']), await withGoal(['star-beams'], 'Bram')];
    const told: string[] = [];
    const made = await plan({}, async (done, of) => {
      told.push(`${done} of ${of}`);
      return true;
    });
    expect(made).toEqual({ file: null, left: [] });
    expect(told).toEqual(['1 of 2', '2 of 2']);
    const { lines } = await viewPlans(bed.context, ines);
    expect(lines.map(({ name, isStale, hasDraft, proposal }) => [name, isStale, hasDraft, proposal.kind])).toEqual([
      ['Bram V.', false, false, 'week'],
      ['Odalys V.', false, false, 'week'],
    ]);
    const [bram] = lines;
    if (bram!.proposal.kind !== 'week') throw new Error('no week');
    // What the goal asks for comes in.
    expect(bram!.proposal.into).toContain('Crane lift');
    expect(bram!.proposal.goals).toMatchObject([{ statement: 'Lifts without crushing' }]);
    const before = await bed.read('SELECT COUNT(*) AS n FROM program_versions');
    await acceptPlan(bed.context, ines, { childId: ids[1] });
    const { draft, draftWasSaved } = await viewBuilder(bed.context, ines, ids[1]!);
    expect(draftWasSaved).toBe(true);
    expect(draft.tasks.every(({ mark }) => mark === 'filled')).toBe(true);
    expect(draft.startsOn > today()).toBe(false);
    expect(await bed.read('SELECT COUNT(*) AS n FROM program_versions')).toEqual(before);
    expect((await viewPlans(bed.context, ines)).lines.map(({ childId }) => childId)).toEqual([ids[0]]);
    expect(await refusal(acceptPlan(bed.context, ines, { childId: ids[1] }))).toBe('notFound');
    await deletePlan(bed.context, ines, { childId: ids[0] });
    expect((await viewPlans(bed.context, ines)).lines).toEqual([]);
  });

  it('is one run of a person at a time: a second is told, and one may run again when the first has ended, however it ended', async () => {
    await withGoal(['crane-lift']);
    let second: Promise<string> | undefined;
    await plan({}, async () => {
      second ??= refusal(plan());
      return (await second) === 'underWay';
    });
    expect(await second).toBe('underWay');
    await plan({}, async () => Promise.reject(new Error('went away'))).catch(() => {});
    expect(await plan()).toEqual({ file: null, left: [] });
  });

  it('goes on from what the family has: another version meanwhile makes a proposal stale, and one’s own draft is not written over by all at once', async () => {
    const [one, other] = [await withGoal(['crane-lift']), await withGoal(['star-beams'], 'Bram')] as const;
    await plan();
    await bed.send(ines, one, 1, ['star-beams']);
    const own = (await viewBuilder(bed.context, ines, other)).draft;
    await bed.write(
      `INSERT INTO program_drafts (child_id, content, saved_by, saved_at) VALUES (${other}, '${JSON.stringify(own).replaceAll("'", "''")}', ${ines.personId}, NOW(3))`,
    );
    const { lines } = await viewPlans(bed.context, ines);
    expect(lines.map(({ childId, isStale, hasDraft }) => [childId, isStale, hasDraft])).toEqual([
      [other, false, true],
      [one, true, false],
    ]);
    await acceptAllPlans(bed.context, ines);
    expect((await viewPlans(bed.context, ines)).lines).toHaveLength(2);
    expect(await refusal(acceptPlan(bed.context, ines, { childId: one }))).toBe('staleVersion');
    // Asked for by itself it is taken.
    await acceptPlan(bed.context, ines, { childId: other });
  });

  it('keeps what was planned where it is stopped, says who could not be planned, and is no business of others', async () => {
    const one = await withGoal(['crane-lift']);
    await withGoal(['star-beams'], 'Bram');
    expect(await plan({}, async (done) => done < 1)).toBeNull();
    expect((await viewPlans(bed.context, ines)).lines).toHaveLength(1);
    await bed.write(`UPDATE children SET minutes_per_day = 1 WHERE id = ${one}`);
    const made = await plan();
    expect(made!.left).toMatchObject([{ why: 'impossible' }]);
    const { lines } = await viewPlans(bed.context, ines);
    expect(lines.find(({ childId }) => childId === one)!.proposal).toMatchObject({
      kind: 'impossible',
      rules: expect.arrayContaining(['minutes']),
    });
    const marit = await bed.person('Marit Oyelaran-Voss');
    expect((await viewPlans(bed.context, marit)).lines).toEqual([]);
    expect(await refusal(acceptPlan(bed.context, marit, { childId: one }))).toBe('notFound');
    expect(await refusal(deletePlan(bed.context, marit, { childId: one }))).toBe('notFound');
    const pim = await bed.person('Pim Aster', 'assistant');
    expect(await refusal(viewPlans(bed.context, pim))).toBe('notAllowed');
    expect(await refusal(planCaseload(bed.context, pim, {}, async () => true))).toBe('notAllowed');
    expect(await refusal(plan({ theme: 'pirates' }))).toBe('invalid');
  });
});

describe('a week of one’s own', () => {
  it('is given to several children at once, each at its own step, and what one may not have is left out with its reason', async () => {
    const [one, other] = [await withGoal(['crane-lift']), await withGoal(['star-beams'], 'Bram')] as const;
    const idOf = (slug: string) => bed.tasks.find(({ content }) => content.slug === slug)!.taskId;
    const tasks = [
      { taskId: idOf('crane-lift'), weekdays: [1, 3] },
      { taskId: idOf('star-beams'), weekdays: [2] },
    ];
    await saveTemplate(bed.context, ines, { name: 'Cranes', content: JSON.stringify({ tasks }) });
    const [{ id, tasks: titles }] = (await viewPlans(bed.context, ines)).templates as unknown as [{ id: number; tasks: string[] }];
    expect(titles).toEqual(['Crane lift', 'Star beams']);
    await bed.write(
      `UPDATE version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id SET t.step = 5, t.choose_from = 5, t.choose_to = 5 WHERE p.child_id = ${one}`,
    );
    await bed.write(`UPDATE children SET born_on = '2024-06-01' WHERE id = ${other}`);
    await giveTemplate(bed.context, ines, { id, childIds: [one, other] });
    const { lines } = await viewPlans(bed.context, ines);
    const proposalOf = (childId: number) => {
      const { proposal } = lines.find((line) => line.childId === childId)!;
      if (proposal.kind !== 'week') throw new Error(proposal.kind);
      return proposal;
    };
    expect(proposalOf(one).draft.tasks.map(({ step, weekdays }) => [step, weekdays])).toContainEqual([5, [1, 3]]);
    expect([proposalOf(one).into, proposalOf(one).left]).toEqual([['Star beams'], []]);
    // Too young for what it never had; what it has goes on.
    expect(proposalOf(other).left).toEqual([{ title: 'Crane lift', why: { kind: 'age' } }]);
    const marit = await bed.person('Marit Oyelaran-Voss');
    expect(await refusal(giveTemplate(bed.context, marit, { id, childIds: [one] }))).toBe('notFound');
    const theirs = await bed.child(marit);
    expect(await refusal(giveTemplate(bed.context, ines, { id, childIds: [one, theirs] }))).toBe('notFound');
    expect(await refusal(deleteTemplate(bed.context, marit, { id }))).toBe('notFound');
    for (const wrong of [{ name: ' ' }, { content: '{' }, { content: '{"tasks":[]}' }])
      expect(await refusal(saveTemplate(bed.context, ines, { name: 'x', content: JSON.stringify({ tasks }), ...wrong }))).toBe('invalid');
    expect(await refusal(giveTemplate(bed.context, ines, { id, childIds: [] }))).toBe('invalid');
    await deleteTemplate(bed.context, ines, { id });
    expect((await viewPlans(bed.context, ines)).templates).toEqual([]);
  });
});

describe('bags', () => {
  const here = async (actor = ines) => (await viewKits(bed.context, actor, '', today())).bags[0]!;
  const cupboard = () => bed.read<{ thing: string; n: number }>('SELECT thing, in_cupboard AS n FROM kit_stock ORDER BY thing');

  it('are packed once, leave the cupboard, go home and come back; what lasts is not packed again while it is there', async () => {
    const childId = await withGoal(['crane-lift']);
    await countStock(bed.context, ines, { thing: 'kitchen-tongs', inCupboard: '3', packSize: '2' });
    const bag = await here();
    const tongs = bag.lines.find(({ thing }) => thing === 'kitchen-tongs')!;
    expect(tongs).toMatchObject({ standing: 'pack', count: 1 });
    const asked = { childId, week: bag.week, version: bag.version };
    await packKit(bed.context, ines, asked);
    await packKit(bed.context, ines, asked);
    expect(await cupboard()).toEqual([{ thing: 'kitchen-tongs', n: 2 }]);
    await unpackKit(bed.context, ines, asked);
    expect(await cupboard()).toEqual([{ thing: 'kitchen-tongs', n: 3 }]);
    expect(await refusal(unpackKit(bed.context, ines, asked))).toBe('notFound');
    expect(await refusal(handOverKit(bed.context, ines, asked))).toBe('notFound');
    await packKit(bed.context, ines, asked);
    await handOverKit(bed.context, ines, asked);
    expect(await refusal(unpackKit(bed.context, ines, asked))).toBe('notFound');
    // The week after, the tongs are with the family still.
    const next = (await viewKits(bed.context, ines, '', addDays(today(), 7))).bags[0]!;
    expect(next.lines.find(({ thing }) => thing === 'kitchen-tongs')).toMatchObject({ standing: 'atHome' });
    expect(next.out?.week).toBe(bag.week);
    await kitCameBack(bed.context, ines, { childId, week: bag.week });
    expect(await cupboard()).toEqual([{ thing: 'kitchen-tongs', n: 3 }]);
    expect(await refusal(kitCameBack(bed.context, ines, { childId, week: bag.week }))).toBe('notFound');
    expect(
      (await viewKits(bed.context, ines, '', addDays(today(), 7))).bags[0]!.lines.find(({ thing }) => thing === 'kitchen-tongs'),
    ).toMatchObject({
      standing: 'pack',
    });
  });

  it('say that another program went out since, and refuse to be packed by what is no more', async () => {
    const childId = await withGoal(['crane-lift']);
    const bag = await here();
    await packKit(bed.context, ines, { childId, week: bag.week, version: bag.version });
    await bed.send(ines, childId, 1, ['star-beams']);
    expect(await here()).toMatchObject({ isOlder: true });
    expect(await refusal(unpackKit(bed.context, ines, { childId, week: bag.week, version: bag.version }))).toBe('staleVersion');
  });

  it('are packed by an assistant of the child, by nobody else, and counted in whole numbers', async () => {
    const childId = await withGoal(['crane-lift']);
    const pim = await bed.person('Pim Aster', 'assistant');
    const bag = await here();
    const asked = { childId, week: bag.week, version: bag.version };
    expect(await refusal(packKit(bed.context, pim, asked))).toBe('notFound');
    await bed.share(childId, pim, 'assist');
    await packKit(bed.context, pim, asked);
    expect((await here(pim)).bag).toMatchObject({ packedBy: 'Pim Aster' });
    for (const wrong of [{ inCupboard: '-1' }, { inCupboard: '1.5' }, { packSize: '0' }, { thing: 'Tongs!' }, { inCupboard: 'many' }])
      expect(await refusal(countStock(bed.context, ines, { thing: 'kitchen-tongs', inCupboard: '1', packSize: '1', ...wrong }))).toBe(
        'invalid',
      );
    expect(await refusal(packKit(bed.context, ines, { ...asked, week: 'x' }))).toBe('invalid');
  });

  it('hold nothing for a task that pain or injury has closed, and there is none while the practice rests', async () => {
    const childId = await withGoal(['crane-lift']);
    expect((await here()).lines.some(({ thing }) => thing === 'kitchen-tongs')).toBe(true);
    await bed.report(childId, { hurt: 'on' });
    expect((await here()).lines).toEqual([]);
    await bed.write(`UPDATE program_versions SET resumes_on = '${addDays(today(), 20)}'`);
    expect((await viewKits(bed.context, ines, '', today())).bags).toEqual([]);
  });

  it('two who pack the same bag at once take its things out of the cupboard once', async () => {
    const childId = await withGoal(['crane-lift']);
    await countStock(bed.context, ines, { thing: 'kitchen-tongs', inCupboard: '5', packSize: '1' });
    const bag = await here();
    const asked = { childId, week: bag.week, version: bag.version };
    await Promise.allSettled(Array.from({ length: 4 }, () => packKit(bed.context, ines, asked)));
    expect(await cupboard()).toEqual([{ thing: 'kitchen-tongs', n: 4 }]);
    expect(await bed.read('SELECT COUNT(*) AS n FROM kit_bags')).toEqual([{ n: 1 }]);
  });

  it('go out as a file, and as slips with the family’s own square', async () => {
    const childId = await withGoal(['crane-lift']);
    const { school, week } = await viewKits(bed.context, ines, '', today());
    const [head, ...rows] = (await kitsForFile(bed.context, ines, school, week, kitsFile)).replace('\uFEFF', '').trim().split('\r\n');
    expect(head).toContain('standing');
    expect(rows.some((row) => row.startsWith('Odalys V.') && row.includes('tongs') && row.includes('to pack'))).toBe(true);
    await countStock(bed.context, ines, { thing: 'kitchen-tongs', inCupboard: '0', packSize: '2' });
    const list = (await kitsForFile(bed.context, ines, school, week, shoppingFile)).replace('\uFEFF', '').trim().split('\r\n');
    expect(list[0]).toBe('kind,thing,needed,supplies on hand,short,packs,pack of,sheets');
    expect(list).toContain('Lend and return,pair of kitchen tongs,1,0,1,1,2,');
    const slips = await viewSlips(bed.context, ines, school, week);
    expect(slips).toMatchObject([{ bag: { childId }, address: expect.stringContaining('/f/') }]);
  });
});

describe('the next program’s dates', () => {
  it('are two weeks where there is no school calendar, and run over a break where there is one', async () => {
    const childId = await withGoal(['crane-lift']);
    expect((await viewBuilder(bed.context, ines, childId)).asSent).toMatchObject({ startsOn: today(), endsOn: addDays(today(), 13) });
    await inTransaction(bed.db, (work) =>
      addSchoolYear(work, {
        firstDay: addDays(today(), -30),
        lastDay: addDays(today(), 200),
        breaks: [{ name: 'Long break', from: addDays(today(), 10), to: addDays(today(), 20) }],
        periods: [],
      }),
    );
    const { asSent } = await viewBuilder(bed.context, ines, childId);
    expect(asSent.startsOn).toBe(today());
    expect(asSent.endsOn >= addDays(today(), 20)).toBe(true);
  });
});
