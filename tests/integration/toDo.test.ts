import { addDays, calendarDayInZone, mondayOf } from '@/core/calendar';
import type { PersonActor } from '@/server/actor';
import { enterPaperLog } from '@/server/reports/enterPaperLog';
import { viewEntry } from '@/server/reports/viewEntry';
import { paperOfChild } from '@/server/programs/makePaper';
import { viewPapers } from '@/server/programs/viewPapers';
import { receiveText } from '@/server/reports/replies/receiveText';
import { addressOf } from '@/server/ports';
import { decide } from '@/server/review/decide';
import { viewReview } from '@/server/review/viewReview';
import { compose as composePaper } from '@/app/paperWords';
import { newTestBed, ZONE, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let pim: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  pim = await bed.person('Pim Aster', 'assistant');
  childId = await bed.child(ines, { calledName: 'Odalys', familyLanguage: 'en', reportWay: 'paper' });
  await bed.share(childId, pim, 'assist');
  await bed.send(ines, childId, 0, ['star-beams', 'crane-lift']);
});
afterEach(() => bed.close());

const toDo = async (actor = pim) => (await viewReview(bed.context, actor, null)).toDo;
const print = () => paperOfChild(bed.context, pim, childId, {}, composePaper);
const one = [{ childId: expect.any(Number), name: 'Odalys V.' }];

describe('an assistant’s to-do', () => {
  it('asks to print what changed since it was printed, and no more once it is made', async () => {
    expect((await toDo())!.toPrint).toEqual(one);
    expect((await viewPapers(bed.context, ines)).unprinted).toEqual(one);
    await print();
    expect((await toDo())!.toPrint).toEqual([]);
    await bed.send(ines, childId, 1, ['star-beams']);
    expect((await toDo())!.toPrint).toEqual(one);
    await print();
    expect((await viewPapers(bed.context, ines)).unprinted).toEqual([]);
  });

  it('asks to print again where something that hurt has closed a task since: the bag must not ask for it', async () => {
    await print();
    bed.passDays(1);
    await bed.report(childId, { words: 'her thumb is swollen', hurt: 'on' });
    expect((await toDo())!.toPrint).toEqual(one);
    bed.passDays(1);
    await print();
    expect((await toDo())!.toPrint).toEqual([]);
  });

  it('asks for the slips of last week, texts, and an injury that nobody has read; a therapist’s round has it elsewhere', async () => {
    bed.passDays(8);
    expect(await toDo()).toMatchObject({ slips: [{ childId, name: 'Odalys V.' }], texts: 0, hurt: [] });
    await receiveText(bed.context, { serviceKey: 'a', from: addressOf(childId), text: 'what was it again' });
    const today = calendarDayInZone(bed.context.now(), ZONE);
    const { sheet } = await viewEntry(bed.context, pim, { childId, monday: mondayOf(today), isPaper: true, log: null });
    const box = { taskId: sheet!.rows[0]!.taskId, doneOn: addDays(today, -1), text: '4' };
    const slip = { childId, entryId: '0193c000-0000-4000-8000-000000000001', way: 'paper', words: 'her thumb is swollen', boxes: [box] };
    await enterPaperLog(bed.context, pim, slip);
    expect(await toDo()).toMatchObject({ slips: [], texts: 1, hurt: one });
    const { here } = await viewReview(bed.context, pim, null);
    await decide(bed.context, pim, { childId, key: here!.decision.key, answer: 'seen', expectedVersion: 1 });
    expect((await toDo())!.hurt).toEqual([]);
    expect(await toDo(ines)).toBeNull();
  });
});

describe('what a colleague decided', () => {
  it('is told to who follows the child, too, for a week; one’s own is not', async () => {
    const marit = await bed.person('Marit Oyelaran-Voss', 'supervisor');
    await bed.share(childId, marit, 'shared');
    bed.passDays(9);
    const { here } = await viewReview(bed.context, marit, null);
    await decide(bed.context, marit, {
      childId,
      key: here!.decision.key,
      answer: 'hold',
      silenceAction: 'called',
      expectedVersion: 1,
      reason: 'Nana will look',
    });
    const told = async (actor: PersonActor) =>
      (await viewReview(bed.context, actor, null)).colleagues.map(({ decidedByName, answer, childId: whose }) => [
        decidedByName,
        answer,
        whose,
      ]);
    expect(await told(ines)).toEqual([['Marit Oyelaran-Voss', 'hold', childId]]);
    expect(await told(marit)).toEqual([]);
    bed.passDays(8);
    expect(await told(ines)).toEqual([]);
  });
});
