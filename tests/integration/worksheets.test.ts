import { composeSheet } from '@/app/sheetWords';
import type { PersonActor } from '@/server/actor';
import { sheetForFamily, sheetOfStep, sheetsOfWeek } from '@/server/worksheets/makeSheets';
import { outlineFromFile, putSheetForChild, addSheetToDraft } from '@/server/worksheets/putSheet';
import { viewSheets } from '@/server/worksheets/viewSheets';
import { startTask } from '@/server/tasks/taskDrafts';
import { viewTaskEditor } from '@/server/tasks/viewTaskEditor';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { sendProgram } from '@/server/programs/sendProgram';
import { viewFamily } from '@/server/reports/viewFamily';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
});
afterEach(() => bed.close());

const isPdf = (file: Uint8Array) => Buffer.from(file.subarray(0, 5)).toString() === '%PDF-';
const pagesIn = (file: Uint8Array) =>
  Buffer.from(file)
    .toString('latin1')
    .match(/\/Type \/Page\b/g)?.length ?? 0;
async function withPlanks(calledName = 'Odalys', slugs = ['cut-the-planks', 'crane-lift']): Promise<number> {
  const childId = await bed.child(ines, { calledName, materialsAtHome: ['child-scissors', 'card', 'paper', 'marker'] });
  await bed.send(ines, childId, 0, slugs);
  return childId;
}
const narrow = { kind: 'road', path: { form: 'straight', lengthMm: 60 }, widthMm: 9, use: 'cut', count: 2, onStrip: false };

describe('a sheet of a child’s own', () => {
  it('is put into the program that is being written, leaves what was sent as it was, and goes out with the next one', async () => {
    const childId = await withPlanks();
    const { open } = await viewSheets(bed.context, ines, { task: 'cut-the-planks', child: String(childId) });
    expect(open).toMatchObject({ mayPut: 'child', child: { calledName: 'Odalys' } });
    const { step } = open!;
    await putSheetForChild(bed.context, ines, { childId, slug: 'cut-the-planks', step, spec: narrow });
    const token = await bed.newestToken(childId);
    const widthSent = async () => {
      const { tasks, otherTasks } = await viewFamily(bed.context, token);
      const task = [...tasks, ...otherTasks].find((each) => each.task.content.slug === 'cut-the-planks')!;
      return (task.task.content.ladder.steps[step - 1]!.sheet as { widthMm: number }).widthMm;
    };
    expect(await widthSent()).not.toBe(9);
    const again = await viewSheets(bed.context, ines, { task: 'cut-the-planks', child: String(childId) });
    expect(again.open!.content.ladder.steps[step - 1]!.sheet).toMatchObject({ widthMm: 9 });
    const { draft } = await viewBuilder(bed.context, ines, childId);
    await sendProgram(bed.context, ines, { childId, expectedVersion: 1, draft, cautionsRead: true });
    expect(await widthSent()).toBe(9);
    // A step beside it keeps the task's own.
    expect(again.open!.content.ladder.steps[step]!.sheet).toMatchObject({ path: { form: 'straight', lengthMm: 150 } });
  });

  it('is refused where the program has no such task, where it can’t be drawn, and to who has no part in the child', async () => {
    const childId = await withPlanks();
    const marit = await bed.person('Marit Oyelaran-Voss');
    const given = { childId, slug: 'cut-the-planks', step: 3, spec: narrow };
    expect(await refusal(putSheetForChild(bed.context, marit, given))).toBe('notFound');
    expect(await refusal(putSheetForChild(bed.context, ines, { ...given, slug: 'wheel' }))).toBe('notFound');
    for (const spec of [
      { kind: 'nothing' },
      { ...narrow, widthMm: 0 },
      { kind: 'strokes', shape: 'x-ray', cue: 'dots', sizeMm: 50, count: 1 },
      { ...narrow, path: { form: 'wave', bends: 8, radiusMm: 80, bendDegrees: 90 } },
    ])
      expect([spec, await refusal(putSheetForChild(bed.context, ines, { ...given, spec }))]).toEqual([spec, 'invalid']);
    expect(await bed.read('SELECT * FROM program_drafts')).toEqual([]);
    expect(await refusal(viewSheets(bed.context, marit, { task: 'wheel', child: String(childId) }))).toBe('notFound');
  });
});

it('a stock task is copied before its sheet is changed; one’s own keeps it on the bench', async () => {
  const given = { slug: 'wheel', step: 1, spec: narrow };
  expect(await refusal(addSheetToDraft(bed.context, ines, given))).toBe('notAllowed');
  const { slug } = await startTask(bed.context, ines, { from: 'wheel', title: 'Cart wheel' });
  await addSheetToDraft(bed.context, ines, { ...given, slug });
  expect((await viewTaskEditor(bed.context, ines, slug)).content.ladder.steps[0]!.sheet).toMatchObject({ widthMm: 9 });
  expect(await refusal(addSheetToDraft(bed.context, ines, { ...given, slug, step: 12 }))).toBe('notFound');
  const pim = await bed.person('Pim Aster', 'assistant');
  expect(await refusal(addSheetToDraft(bed.context, pim, { ...given, slug }))).toBe('notAllowed');
});

describe('what is printed', () => {
  const never = async () => true;

  it('is the step’s sheet, or the one in the maker, in the family’s words, byte for byte the same each time', async () => {
    const childId = await withPlanks();
    const options = { slug: 'cut-the-planks', step: 3, childId };
    const one = await sheetOfStep(bed.context, ines, options, composeSheet);
    expect(isPdf(one)).toBe(true);
    expect(Buffer.compare(one, await sheetOfStep(bed.context, ines, options, composeSheet))).toBe(0);
    expect(Buffer.compare(one, await sheetOfStep(bed.context, ines, { ...options, spec: narrow }, composeSheet))).not.toBe(0);
    expect(await refusal(sheetOfStep(bed.context, ines, { slug: 'crane-lift', step: 1 }, composeSheet))).toBe('noSheet');
    expect(await refusal(sheetOfStep(bed.context, ines, { slug: 'no-such', step: 1 }, composeSheet))).toBe('notFound');
    for (const wrong of [null, {}, { slug: 'wheel', step: 99 }, { slug: 'wheel', step: 1, size: 'a3' }])
      expect(await refusal(sheetOfStep(bed.context, ines, wrong, composeSheet))).toBe('invalid');
  });

  it('of a week: each task’s sheet at today’s step, none for what is closed or rests, told child by child and stopped', async () => {
    const [one, other] = [
      await withPlanks('Odalys', ['crane-lift', 'cut-the-planks', 'wheel']),
      await withPlanks('Bram', ['crane-lift']),
    ] as const;
    const told: string[] = [];
    const made = await sheetsOfWeek(bed.context, ines, {}, composeSheet, async (done, of) => {
      told.push(`${done} of ${of}`);
      return true;
    });
    expect(told).toEqual(['1 of 2', '2 of 2']);
    expect(pagesIn(made!.file)).toBe(2);
    expect(made!.left).toEqual([{ name: 'Bram V.', why: 'nothing' }]);
    // With a page of stones for each; a child without a sheet has one, too.
    const withStones = await sheetsOfWeek(bed.context, ines, { stones: 'on' }, composeSheet, never);
    expect([pagesIn(withStones!.file), withStones!.left]).toEqual([4, []]);
    await bed.report(one, { hurt: 'on', versionTaskId: await bed.versionTaskId(one, 'wheel') });
    expect(pagesIn((await sheetsOfWeek(bed.context, ines, { childId: one }, composeSheet, never))!.file)).toBe(1);
    expect(await refusal(sheetsOfWeek(bed.context, ines, { childId: other }, composeSheet, never))).toBe('noSheet');
    await bed.write('UPDATE program_versions SET is_ended = 1');
    expect(await refusal(sheetsOfWeek(bed.context, ines, { childId: one }, composeSheet, never))).toBe('noSheet');
    expect(await sheetsOfWeek(bed.context, ines, {}, composeSheet, async () => false)).toBeNull();
    const marit = await bed.person('Marit Oyelaran-Voss');
    expect(await refusal(sheetsOfWeek(bed.context, marit, { childId: one }, composeSheet, never))).toBe('notFound');
  });

  it('of a caseload: a sheet that can’t be drawn is told, and keeps nobody else from theirs', async () => {
    await withPlanks('Łuß', ['name-plate', 'wheel']);
    await withPlanks('Bram', ['wheel']);
    const made = await sheetsOfWeek(bed.context, ines, {}, composeSheet, never);
    expect([pagesIn(made!.file), made!.left]).toEqual([2, [{ name: 'Łuß V.', why: 'notDrawn' }]]);
    expect(await refusal(sheetOfStep(bed.context, ines, { slug: 'name-plate', step: 2, hand: 'both' }, composeSheet))).toBe('invalid');
  });

  it('by a family’s link: the steps that it may choose, of its own program, and nothing that is closed', async () => {
    const childId = await withPlanks();
    const token = await bed.newestToken(childId);
    const { tasks, otherTasks } = await viewFamily(bed.context, token);
    const { task } = [...tasks, ...otherTasks].find((each) => each.task.content.slug === 'cut-the-planks')!;
    const options = { versionTaskId: task.versionTaskId, step: task.step };
    expect(isPdf(await sheetForFamily(bed.context, token, options, composeSheet))).toBe(true);
    expect(await refusal(sheetForFamily(bed.context, token, { ...options, step: task.chooseTo + 1 }, composeSheet))).toBe('notFound');
    expect(await refusal(sheetForFamily(bed.context, token, { ...options, versionTaskId: task.versionTaskId + 1000 }, composeSheet))).toBe(
      'notFound',
    );
    expect(await refusal(sheetForFamily(bed.context, `${token}x`, options, composeSheet))).toBe('linkUnknown');
    expect(await refusal(sheetForFamily(bed.context, token, { versionTaskId: 'x', step: 1 }, composeSheet))).toBe('invalid');
    await bed.report(childId, { hurt: 'on', versionTaskId: task.versionTaskId });
    const closed = (await viewFamily(bed.context, token)).tasks.find((each) => each.closed)!;
    expect(
      await refusal(sheetForFamily(bed.context, token, { versionTaskId: closed.task.versionTaskId, step: closed.task.step }, composeSheet)),
    ).toBe('notFound');
  });
});

it('an outline’s file is read or refused with its reason, and nothing of it is kept', async () => {
  const read = await outlineFromFile(bed.context, ines, {
    file: '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0L9 0L9 9Z"/></svg>',
    sizeMm: 90,
  });
  expect(read).toMatchObject({ ok: true, value: { isClosed: true } });
  expect(await outlineFromFile(bed.context, ines, { file: '<svg><script/></svg>', sizeMm: 90 })).toEqual({
    ok: false,
    faults: [{ code: 'element', what: 'script' }],
  });
  expect(await refusal(outlineFromFile(bed.context, ines, { file: 'x'.repeat(300_001), sizeMm: 90 }))).toBe('invalid');
});
