import { randomUUID } from 'node:crypto';
import { viewChild } from '@/server/students/viewChild';
import { sendProgram } from '@/server/programs/sendProgram';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { viewFamily } from '@/server/reports/viewFamily';
import { decide } from '@/server/review/decide';
import { undoDecision } from '@/server/review/undoDecision';
import { viewReview } from '@/server/review/viewReview';
import type { PersonActor } from '@/server/actor';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let marit: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  marit = await bed.person('Marit Oyelaran-Voss', 'supervisor');
  childId = await bed.child(ines);
  await bed.share(childId, marit, 'shared');
  await bed.send(ines, childId);
});
afterEach(() => bed.close());

const here = async (actor = ines) => (await viewReview(bed.context, actor, null)).here!;
const settle = async (answer: string, actor = ines, more: Record<string, unknown> = {}) => {
  const { decision, program } = await here(actor);
  return (await decide(bed.context, actor, { childId, key: decision.key, answer, expectedVersion: program.number, ...more })).decisionId;
};
const crane = async () => (await viewChild(bed.context, ines, childId)).program!.tasks.find((task) => task.content.slug === 'crane-lift')!;
const makeReady = async (slug = 'crane-lift') => {
  for (let count = 0; count < 3; count += 1) {
    await bed.report(childId, { versionTaskId: await bed.versionTaskId(childId, slug) });
    bed.passDays(1);
  }
};

describe('taking a step back (P1)', () => {
  it('moves step, choice and evidence alone: a dose that was set with the step stays', async () => {
    const draft = bed.draft();
    draft.tasks[1]!.dose = { ...draft.tasks[1]!.dose, rounds: 2 };
    await sendProgram(bed.context, ines, { childId, expectedVersion: 1, draft, cautionsRead: true });
    for (let count = 0; count < 3; count += 1) {
      await bed.report(childId, { left: '10', right: '10' });
      bed.passDays(1);
    }
    const decisionId = await settle('up');
    await undoDecision(bed.context, ines, decisionId);
    expect(await crane()).toMatchObject({ step: 3, chooseFrom: 2, chooseTo: 4, stepSinceVersion: 1, dose: { rounds: 2 } });
  });

  it('is refused and said where dose, days or settings were set since: the newer ones are not thrown away', async () => {
    await makeReady();
    const decisionId = await settle('up');
    const { draft } = await viewBuilder(bed.context, ines, childId);
    const changed = draft.tasks.map((task, index) =>
      index === 1 ? { ...task, weekdays: [1, 3], dose: { ...task.dose, rounds: 2 } } : task,
    );
    await sendProgram(bed.context, ines, { childId, expectedVersion: 2, draft: { ...draft, tasks: changed }, cautionsRead: true });
    expect(await refusal(undoDecision(bed.context, ines, decisionId))).toBe('goneOn');
    expect(await crane()).toMatchObject({ step: 4, weekdays: [1, 3], dose: { rounds: 2 } });
    expect((await viewReview(bed.context, ines, null)).settledToday.map(({ id }) => id)).toContain(decisionId);
  });

  it('is done where only another task went on: both steps can be taken back, one after the other', async () => {
    await makeReady('open-the-shutters');
    await makeReady('crane-lift');
    const first = await settle('up');
    const second = await settle('up');
    await undoDecision(bed.context, ines, second);
    await undoDecision(bed.context, ines, first);
    expect((await viewChild(bed.context, ines, childId)).program!.tasks.map((task) => task.step)).toEqual([3, 3]);
  });
});

describe('reading, putting off and taking back keep apart (P6)', () => {
  const reading = () => bed.read<{ read_by: number | null }>('SELECT read_by FROM reports');

  it('a put-off that is taken back makes nothing unread that a colleague has read since', async () => {
    await bed.report(childId, { question: 'on', words: 'is this right?' });
    const putOff = await settle('later', ines, { laterDays: 1 });
    bed.passDays(1);
    await settle('read', marit);
    await undoDecision(bed.context, ines, putOff);
    expect(await reading()).toEqual([{ read_by: marit.personId }]);
  });

  it('a reading that is taken back is unread again', async () => {
    await bed.report(childId, { question: 'on' });
    const readId = await settle('read');
    expect(await reading()).toEqual([{ read_by: ines.personId }]);
    await undoDecision(bed.context, ines, readId);
    expect(await reading()).toEqual([{ read_by: null }]);
    expect((await here()).decision.kind).toBe('question');
  });
});

describe('who may do what (P7)', () => {
  it('a therapist who only assists is offered no step, and is refused one', async () => {
    const helper = await bed.person('Nerys Ofori');
    await bed.share(childId, helper, 'assist');
    await makeReady();
    const seen = await here(helper);
    expect(seen.mayChange).toBe(false);
    expect((await here()).mayChange).toBe(true);
    const press = decide(bed.context, helper, { childId, key: seen.decision.key, answer: 'up', expectedVersion: 1 });
    expect(await refusal(press)).toBe('notAllowed');
  });

  it('nobody takes back what a colleague decided', async () => {
    await makeReady();
    const decisionId = await settle('up');
    expect(await refusal(undoDecision(bed.context, marit, decisionId))).toBe('notAllowed');
    expect((await crane()).step).toBe(4);
  });

  it('an answer that a kind of decision does not take is refused', async () => {
    await bed.report(childId, { hurt: 'on' });
    expect(await refusal(settle('up'))).toBe('invalid');
    expect(await refusal(settle('hold'))).toBe('invalid');
  });
});

describe('a program that was sent ahead (B2)', () => {
  it('leaves the one before it in force until its start, on the family’s page and in the counting', async () => {
    const today = (await viewChild(bed.context, ines, childId)).today;
    const draft = bed.draft(['crane-lift']);
    await sendProgram(bed.context, ines, {
      childId,
      expectedVersion: 1,
      draft: { ...draft, startsOn: draft.startsOn.replace(/\d\d$/, '20') as typeof draft.startsOn },
      cautionsRead: true,
    });
    expect(today).toBe('2026-10-14');
    const numbers = async () => (await viewFamily(bed.context, await bed.newestToken(childId))).version!.number;
    bed.passDays(3);
    expect(await numbers()).toBe(1);
    expect(await bed.report(childId, { versionTaskId: await firstVersionTask() })).toMatchObject({ replaced: false });
    expect((await viewChild(bed.context, ines, childId)).practice.adherence.planned).toBe(7);
    bed.passDays(3);
    expect(await numbers()).toBe(2);
    expect(await bed.report(childId, { versionTaskId: await firstVersionTask() })).toMatchObject({ replaced: true });
  });

  const firstVersionTask = async () => {
    const [row] = await bed.read<{ id: number }>(
      `SELECT t.id FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN tasks k ON k.id = t.task_id
       WHERE v.number = 1 AND k.slug = 'crane-lift'`,
    );
    return String(row!.id);
  };
});

it('keeps no amount told apart from nothing done: an empty report is no struggle (B6)', async () => {
  for (let count = 0; count < 3; count += 1) {
    await bed.report(childId, { left: '', right: '', idempotencyKey: randomUUID() });
    bed.passDays(1);
  }
  const { open } = await viewReview(bed.context, ines, null);
  expect(open.map((decision) => decision.kind)).toEqual([]);
  const view = await viewChild(bed.context, ines, childId);
  expect(view.log.map((report) => [report.amount, report.outcome])).toEqual(Array(3).fill([null, 'uncounted']));
  expect(view.practice.adherence.knownDone).toBe(3);
});

describe('children at one tread', () => {
  it('are told together with how others fared there, and can be looked at alone', async () => {
    const ready = async (calledName: string) => {
      const childId = await bed.child(ines, { calledName });
      await bed.send(ines, childId);
      for (let day = 0; day < 3; day += 1) {
        const versionTaskId = await bed.versionTaskId(childId, 'crane-lift');
        await bed.report(childId, { versionTaskId, help: 'alone', left: '5', right: '5', doneOn: '' });
        bed.passDays(1);
      }
      return childId;
    };
    const first = await ready('Wren');
    const one = (await viewReview(bed.context, ines, null)).open.find(({ kind }) => kind === 'ready')!;
    await decide(bed.context, ines, { childId: first, key: one.key, answer: 'up', expectedVersion: 1 });
    await ready('Bram');
    await ready('Silas');
    await ready('Odalys');
    const view = await viewReview(bed.context, ines, null);
    const [group] = view.outcomesPerStep;
    expect(view.outcomesPerStep).toHaveLength(1);
    expect(group).toMatchObject({
      step: one.suggestion!.toStep,
      title: { en: 'Crane lift' },
      stepOutcomes: { came: 1, wentBack: 0, standing: 1 },
    });
    expect(view.onlyStep).toBeNull();
    const alone = await viewReview(bed.context, ines, null, `${group!.taskId}:${group!.step}`);
    expect(alone.onlyStep).toEqual(group);
    expect(alone.open.map(({ key }) => key)).toEqual(group!.keys);
    expect(view.open.length).toBeGreaterThan(3);
    // What is no tread shows all.
    expect((await viewReview(bed.context, ines, null, '1:99')).open).toHaveLength(view.open.length);
  });
});
