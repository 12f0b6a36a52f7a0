import type { PersonActor } from '@/server/actor';
import { parse } from 'csv-parse/sync';
import { changeHome } from '@/server/students/changeHome';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { caseloadForFile } from '@/server/caseload/caseloadForFile';
import { caseloadFile } from '@/ui/desk/caseload/caseloadFile';
import { viewChild } from '@/server/students/viewChild';
import { setAdvancingRule } from '@/server/stepRules/advancingRule';
import { decide } from '@/server/review/decide';
import { decideTogether, viewTogether } from '@/server/review/decideTogether';
import { undoDecision } from '@/server/review/undoDecision';
import { viewReview } from '@/server/review/viewReview';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines, { calledName: 'Odalys' });
  await bed.send(ines, childId, 0, ['crane-lift']);
});
afterEach(() => bed.close());

/** One session a day: r reached, s struggled. */
async function sessions(word: string, child = childId): Promise<void> {
  for (const letter of word) {
    const each = letter === 'r' ? '5' : '1';
    await bed.report(child, { versionTaskId: await bed.versionTaskId(child, 'crane-lift'), left: each, right: each });
    bed.passDays(1);
  }
}
const rounds = () => viewReview(bed.context, ines, null);
const cards = async () => (await rounds()).open.map(({ kind, suggestion }) => `${kind} ${suggestion?.rule.name ?? ''}`);

describe('the rule by which a step is suggested', () => {
  it('is three in a row, till the therapist chooses another for the caseload, the child or the task', async () => {
    await sessions('rrsrr');
    expect(await cards()).toEqual([]);
    await setAdvancingRule(bed.context, ines, { rule: 'mOfN', reason: '' });
    expect(await cards()).toEqual(['ready mOfN']);
    await changeHome(bed.context, ines, { childId, taskSettings: { advancing: 'band' }, materialsAtHome: ['paper'] });
    // 10, 10, 2, 10, 10 of 10: a mean of 84% keeps within the band.
    expect(await cards()).toEqual([]);
    await changeHome(bed.context, ines, { childId, taskSettings: { advancing: 'mOfN' }, materialsAtHome: ['paper'] });
    await setAdvancingRule(bed.context, ines, { rule: 'streak', reason: '' });
    expect(await cards()).toEqual(['ready mOfN']);
    expect(await refusal(setAdvancingRule(bed.context, ines, { rule: 'coin', reason: '' }))).toBe('invalid');
  });

  it('is the leading therapist’s, whoever looks', async () => {
    const marit = await bed.person('Marit Oyelaran-Voss', 'supervisor');
    await bed.share(childId, marit, 'shared');
    await setAdvancingRule(bed.context, marit, { rule: 'mOfN', reason: '' });
    await sessions('rrsrr');
    expect((await viewReview(bed.context, marit, null)).open).toEqual([]);
    await setAdvancingRule(bed.context, ines, { rule: 'mOfN', reason: '' });
    expect((await viewReview(bed.context, marit, null)).open).toHaveLength(1);
  });

  it('stands in the grade history with what it counted, and so does a note beside it', async () => {
    await setAdvancingRule(bed.context, ines, { rule: 'mOfN', reason: '' });
    await sessions('srrrr');
    const { here } = await rounds();
    const answered = {
      childId,
      key: here!.decision.key,
      answer: 'up',
      expectedVersion: here!.program.number,
      reason: 'Looks easy in school, too',
    };
    await decide(bed.context, ines, answered);
    const [change] = (await viewChild(bed.context, ines, childId)).changes;
    expect(change).toMatchObject({ cause: 'suggestion', reason: 'Looks easy in school, too', suggestion: { rule: { name: 'mOfN' } } });
    expect(change!.suggestion!.evidence.last).toEqual({ sessions: 5, reached: 4, struggled: 1, onDays: 5 });
  });
});

describe('several plain cases in one go', () => {
  it('are settled each by itself; a question, an earlier try and what changed meanwhile stay open', async () => {
    const others = [await bed.child(ines, { calledName: 'Bram' }), await bed.child(ines, { calledName: 'Ffion' })];
    for (const child of others) await bed.send(ines, child, 0, ['crane-lift']);
    for (const child of [childId, ...others]) for (let count = 0; count < 3; count += 1) await sessions('r', child);
    const [bram, ffion] = others;
    await bed.report(ffion!, {
      versionTaskId: await bed.versionTaskId(ffion!, 'crane-lift'),
      left: '5',
      right: '5',
      question: 'yes',
      words: 'Which tongs?',
    });
    const lines = await viewTogether(bed.context, ines, 'ready');
    expect(lines.map(({ childName }) => childName.split(' ')[0]).sort()).toEqual(['Bram', 'Odalys']);
    // Somebody settles Bram's card in between.
    const bramLine = lines.find(({ decision }) => decision.childId === bram)!;
    await decide(bed.context, ines, {
      childId: bram,
      key: bramLine.decision.key,
      answer: 'hold',
      reason: 'not yet',
      expectedVersion: bramLine.version,
    });
    const chosen = lines.map(({ decision, version }) => ({ childId: decision.childId, key: decision.key, version }));
    const ffionKey = (await rounds()).open.find(({ childId: whose, kind }) => whose === ffion && kind === 'ready')!.key;
    const told = await decideTogether(bed.context, ines, {
      kind: 'ready',
      chosen: [...chosen, { childId: ffion, key: ffionKey, version: 1 }],
    });
    expect(told.settled).toBe(1);
    expect(told.left.map(({ childId: whose, fault }) => [whose, fault.code])).toEqual([
      [bram, 'staleDecision'],
      [ffion, 'staleDecision'],
    ]);
    expect((await viewChild(bed.context, ines, childId)).program!.tasks[0]!.step).toBe(4);
    expect((await viewChild(bed.context, ines, ffion!)).program!.tasks[0]!.step).toBe(3);
  });

  it('of one child are settled one after the other, each as a version of its own', async () => {
    const twice = await bed.child(ines, { calledName: 'Per' });
    await bed.send(ines, twice, 0, ['crane-lift', 'star-beams']);
    for (let day = 0; day < 3; day += 1) {
      await bed.report(twice, { versionTaskId: await bed.versionTaskId(twice, 'crane-lift'), left: '5', right: '5' });
      await bed.report(twice, { versionTaskId: await bed.versionTaskId(twice, 'star-beams'), amount: '8', left: '', right: '' });
      bed.passDays(1);
    }
    const lines = await viewTogether(bed.context, ines, 'ready');
    expect(lines).toHaveLength(2);
    const chosen = lines.map(({ decision, version }) => ({ childId: decision.childId, key: decision.key, version }));
    expect(await decideTogether(bed.context, ines, { kind: 'ready', chosen })).toEqual({ settled: 2, left: [] });
    expect((await viewChild(bed.context, ines, twice)).program!.tasks.map(({ step }) => step)).toEqual([4, 4]);
  });

  it('are nobody’s who may not change the program', async () => {
    await sessions('rrr');
    const pim = await bed.person('Pim Aster', 'assistant');
    await bed.share(childId, pim, 'assist');
    expect(await viewTogether(bed.context, pim, 'ready')).toEqual([]);
    const { key } = (await rounds()).open[0]!;
    const told = await decideTogether(bed.context, pim, { kind: 'ready', chosen: [{ childId, key, version: 1 }] });
    expect(told).toMatchObject({ settled: 0, left: [{ fault: { code: 'notAllowed' } }] });
    expect(await refusal(decideTogether(bed.context, ines, { kind: 'ready', chosen: [] }))).toBe('invalid');
  });
});

it('the Yard tells what waits in Rounds, and goes out as a file that another reader reads', async () => {
  const caseloadQuery = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: false } as const;
  await sessions('rrr');
  const { waiting } = await viewCaseload(bed.context, ines, caseloadQuery);
  expect(waiting.get(childId)!.map(({ kind }) => kind)).toEqual(['ready']);
  const [head, row] = parse(await caseloadForFile(bed.context, ines, caseloadQuery, caseloadFile), { bom: true }) as string[][];
  const cell = (title: string) => row![head!.indexOf(title)];
  expect(cell('child')).toMatch(/^Odalys/);
  expect(cell('waits in Review')).toBe('ready for a harder step');
  expect(cell('steps now')).toMatch(/^Crane lift: 3 /);
});

it('what was put off can be seen, and taken up before its day', async () => {
  await sessions('rrr');
  const { here } = await rounds();
  await decide(bed.context, ines, { childId, key: here!.decision.key, answer: 'later', laterDays: 2, expectedVersion: 1 });
  const { snoozed, open } = await rounds();
  expect(open).toEqual([]);
  expect(snoozed).toMatchObject([{ childId, kind: 'ready' }]);
  await undoDecision(bed.context, ines, snoozed[0]!.id);
  expect(await rounds()).toMatchObject({ snoozed: [], open: [{ kind: 'ready' }] });
  // Put off once more, and then struggled with: there is nothing left that could wake.
  await decide(bed.context, ines, { childId, key: here!.decision.key, answer: 'later', laterDays: 7, expectedVersion: 1 });
  expect((await rounds()).snoozed).toHaveLength(1);
  await sessions('s');
  expect(await rounds()).toMatchObject({ snoozed: [], open: [] });
});

it('a card shows the goal it serves, the help that comes next, what was written last and the other cards', async () => {
  await changeHome(bed.context, ines, { childId, taskSettings: { promptFading: 'mostToLeast' }, materialsAtHome: ['paper'] });
  await sessions('rr');
  await bed.report(childId, {
    versionTaskId: await bed.versionTaskId(childId, 'crane-lift'),
    left: '5',
    right: '5',
    help: 'pointed',
    question: 'yes',
    words: 'Which tongs?',
  });
  const view = await rounds();
  expect(view.here!.decision.kind).toBe('question');
  expect(view.here!.alsoOpen.map(({ kind }) => kind)).toEqual(['ready']);
  expect(view.here!.context.help).toEqual({ order: 'mostToLeast', first: 'words', upTo: 'pointed' });
  const { key } = view.here!.decision;
  await decide(bed.context, ines, { childId, key, answer: 'wrote', words: 'The wide ones.', expectedVersion: 1 });
  expect((await rounds()).here!.context.notes.map(({ words }) => words)).toEqual(['The wide ones.']);
});

it('what was written to a family comes back for the next one of its language, and for nobody else', async () => {
  const write = async (own: string, said: string) => {
    await bed.report(childId, {
      versionTaskId: await bed.versionTaskId(childId, 'crane-lift'),
      left: '1',
      right: '1',
      question: 'yes',
      words: '¿Cuál?',
    });
    const { here } = await rounds();
    await decide(bed.context, ines, {
      childId,
      key: here!.decision.key,
      answer: 'wrote',
      words: said,
      own,
      expectedVersion: here!.program.number,
    });
    bed.passDays(1);
  };
  await write('The wide ones.', 'Las anchas.');
  await write('Well done!', '¡Muy bien!');
  await write('the wide ones', 'Las tenazas anchas.');
  // What names the child goes with the child, and is offered for no other.
  await write('Odalys did well', 'Odalys, ¡muy bien!');
  await bed.report(childId, {
    versionTaskId: await bed.versionTaskId(childId, 'crane-lift'),
    left: '1',
    right: '1',
    question: 'yes',
    words: '¿Y hoy?',
  });
  expect((await rounds()).here!.phrases.map(({ own, said }) => [own, said])).toEqual([
    ['the wide ones', 'Las tenazas anchas.'],
    ['Well done!', '¡Muy bien!'],
    ['The wide ones.', 'Las anchas.'],
  ]);
  const marit = await bed.person('Marit Oyelaran-Voss', 'supervisor');
  await bed.share(childId, marit, 'shared');
  expect((await viewReview(bed.context, marit, null)).here!.phrases).toEqual([]);
});
