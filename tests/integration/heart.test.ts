import { inTransaction, versionOf } from '@/db';
import { sendProgram } from '@/server/programs/sendProgram';
import { viewContents } from '@/server/tasks/viewContents';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { viewFamily } from '@/server/reports/viewFamily';
import { storeDraft, shelveTask, startTask } from '@/server/tasks/taskDrafts';
import { decide } from '@/server/review/decide';
import { viewReview } from '@/server/review/viewReview';
import { viewTaskEditor, viewVersion } from '@/server/tasks/viewTaskEditor';
import { viewLibrary } from '@/server/tasks/viewLibrary';
import type { PersonActor } from '@/server/actor';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;

beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
});
afterAll(() => bed.close());

const shelf = async (slug: string) => (await viewLibrary(bed.context, ines)).tasks.find((task) => task.slug === slug);
describe('a program made with the heart', () => {
  const HOME = ['kitchen-tongs', 'sponge-cube', 'bowl', 'paper-cup', 'tray', 'clay'];

  it('freezes the child’s settings and the home’s substitutes with the version', async () => {
    const childId = await bed.child(ines, { taskSettings: { hands: 'preferred' }, materialsAtHome: HOME });
    const view = await viewBuilder(bed.context, ines, childId);
    expect(view.child.taskSettings).toEqual({ hands: 'preferred' });
    const draft = bed.draft(['crane-lift']);
    draft.tasks[0]!.choices = { skin: 'weatherStation' };
    await sendProgram(bed.context, ines, { childId, expectedVersion: 0, draft, cautionsRead: true });
    const sent = async () => (await viewFamily(bed.context, await bed.newestToken(childId))).version!.tasks[0]!;
    const before = await sent();
    expect(before.choices).toEqual({
      skin: 'weatherStation',
      childSettings: { hands: 'preferred' },
      replaced: { 'clothes-pegs': 'sponge-cube', box: 'bowl', cup: 'paper-cup', 'sponge-block': 'sponge-cube' },
    });
    expect(before.content.title.en).toBe('Kite lift');
    expect(before.content.materials.map((material) => material.name.en)).toEqual([
      'pair of kitchen tongs',
      'soft sponge cubes, 2 in',
      'bowl',
      'paper cup',
      'soft sponge cubes, 2 in',
    ]);
    expect(before.content.dose.hands).toBe('preferred');
    // Soft cubes in place of pegs are an easier item: the grade says so.
    expect(before.content.ladder.steps[2]!.grade.itemSize).toBe(0);
    // What is at home, and what the therapist prefers, may change later: the family's version does not.
    await bed.write("UPDATE children SET materials_at_home = '[]', task_settings = '{}' WHERE id = :childId", { childId });
    expect((await sent()).content).toEqual(before.content);
    // The next program starts from what holds now, not from what held then.
    expect((await viewBuilder(bed.context, ines, childId)).draft.tasks[0]!.choices).toEqual({ skin: 'weatherStation' });
  });

  it('asks for a reason where a rule of safety does, and keeps it', async () => {
    const childId = await bed.child(ines, { mouthsThings: true });
    const draft = bed.draft(['pocket-the-washers']);
    Object.assign(draft.tasks[0]!, { step: 7, chooseFrom: 7, chooseTo: 7 });
    const send = () => sendProgram(bed.context, ines, { childId, expectedVersion: 0, draft, cautionsRead: true });
    await expect(send()).rejects.toMatchObject({
      code: 'invalid',
      detail: {
        findings: expect.arrayContaining([expect.objectContaining({ finding: expect.objectContaining({ key: 'smallPart:washers' }) })]),
      },
    });
    draft.tasks[0]!.choices = { reasons: { 'smallPart:washers': 'Only at my side, in the session' } };
    await send();
    const [row] = await bed.read<{ choices: { reasons: Record<string, string> } }>(
      'SELECT choices FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id WHERE p.child_id = :childId',
      { childId },
    );
    expect(row!.choices.reasons).toEqual({ 'smallPart:washers': 'Only at my side, in the session' });
  });

  it('lets no reason past a rule that blocks', async () => {
    const childId = await bed.child(ines, { allergies: ['wheat'], materialsAtHome: ['play-dough'] });
    const draft = bed.draft(['brick-press']);
    draft.tasks[0]!.choices = { reasons: { 'allergen:play-dough:wheat': 'I insist' } };
    expect(await refusal(sendProgram(bed.context, ines, { childId, expectedVersion: 0, draft, cautionsRead: true }))).toBe('invalid');
  });

  it('goes on with a substitute that is safe: clay without flour', async () => {
    const childId = await bed.child(ines, { allergies: ['wheat'], materialsAtHome: HOME });
    await sendProgram(bed.context, ines, { childId, expectedVersion: 0, draft: bed.draft(['brick-press']), cautionsRead: true });
    const [task] = (await viewFamily(bed.context, await bed.newestToken(childId))).version!.tasks;
    expect(task!.content.materials[0]!.name.en).toBe('flour-free clay');
  });

  it('lets no key press in Rounds past a rule of safety: the step up waits for a reason in the builder', async () => {
    const childId = await bed.child(ines, { mouthsThings: true });
    const draft = bed.draft(['sort-the-hardware', 'crane-lift']);
    Object.assign(draft.tasks[0]!, { step: 1, chooseFrom: 1, chooseTo: 1 });
    await sendProgram(bed.context, ines, { childId, expectedVersion: 0, draft, cautionsRead: true });
    for (let day = 0; day < 3; day += 1) {
      const versionTaskId = await bed.versionTaskId(childId, 'sort-the-hardware');
      await bed.report(childId, { versionTaskId });
      bed.passDays(1);
    }
    const here = (await viewReview(bed.context, ines, null)).here!;
    expect(here).toMatchObject({ child: { id: childId }, decision: { kind: 'ready', suggestion: { toStep: 2 } } });
    const up = decide(bed.context, ines, { childId, key: here.decision.key, answer: 'up', expectedVersion: 1 });
    await expect(up).rejects.toMatchObject({ code: 'unsafeStep', detail: { step: 2, things: 'drink caps', takesReason: true } });
    expect(
      await bed.read(
        'SELECT MAX(v.number) AS number FROM program_versions v JOIN programs p ON p.id = v.program_id WHERE p.child_id = :childId',
        { childId },
      ),
    ).toEqual([{ number: 1 }]);
    // The reason can be given on the card; it is kept with the task.
    const given = { childId, key: here.decision.key, answer: 'up', expectedVersion: 1, safetyReason: 'Only at my elbow' };
    await decide(bed.context, ines, given);
    const next = await inTransaction(bed.db, (work) => versionOf(work, childId, 2));
    const sorting = next!.tasks.find(({ content }) => content.slug === 'sort-the-hardware')!;
    expect(sorting).toMatchObject({ step: 2, stepSinceVersion: 2 });
    expect(Object.values(sorting.choices.reasons ?? {})).toContain('Only at my elbow');
  });

  it('keeps a placed task in its version when the library gets a newer one, and shows both', async () => {
    const made = await startTask(bed.context, ines, { from: 'wall-push', title: 'Versioned' });
    const { content } = await viewTaskEditor(bed.context, ines, made.slug);
    await shelveTask(bed.context, ines, content);
    const first = (await shelf('versioned'))!;
    const childId = await bed.child(ines);
    const draft = bed.draft([]);
    draft.tasks = [
      {
        taskVersionId: first.taskVersionId,
        part: 'warmUp',
        step: 3,
        chooseFrom: 2,
        chooseTo: 4,
        weekdays: [1, 3],
        dose: content.dose,
        choices: {},
      },
    ];
    await sendProgram(bed.context, ines, { childId, expectedVersion: 0, draft, cautionsRead: true });
    const { key: keyBefore } = await viewContents(bed.context, ines);
    await storeDraft(bed.context, ines, { ...content, dose: { ...content.dose, rounds: 2 } });
    await shelveTask(bed.context, ines, { ...content, dose: { ...content.dose, rounds: 2 } });
    const view = await viewBuilder(bed.context, ines, childId);
    expect(view.placed.map((task) => task.taskVersionId)).toEqual([first.taskVersionId]);
    const library = await viewContents(bed.context, ines);
    expect(library.key).toBe(view.libraryKey);
    expect(keyBefore).not.toBe(library.key);
    expect(library.tasks.find((task) => task.taskId === first.taskId)!.taskVersionId).not.toBe(first.taskVersionId);
    expect(await viewVersion(bed.context, ines, { slug: 'versioned', number: 1 })).toEqual(content);
    expect(await refusal(viewVersion(bed.context, ines, { slug: 'versioned', number: 9 }))).toBe('notFound');
  });

  it('learns the child’s own pace from sessions that say how long they took', async () => {
    const childId = await bed.child(ines);
    await bed.send(ines, childId);
    for (let day = 0; day < 2; day += 1) {
      await bed.report(childId, { minutes: '4' });
      bed.passDays(1);
    }
    const view = await viewBuilder(bed.context, ines, childId);
    const { taskId } = bed.tasks.find((task) => task.content.slug === 'crane-lift')!;
    const pace = view.paces.find((each) => each.taskId === taskId)!;
    expect(pace.sessions).toBe(2);
    // 12 s worth three sessions, 24 s twice: 12^(3/5) · 24^(2/5)
    expect(pace.secondsEach).toBeCloseTo(12 ** 0.6 * 24 ** 0.4, 6);
  });

  it('a skin keeps the series: the same task goes on under another name', async () => {
    const childId = await bed.child(ines);
    await bed.send(ines, childId);
    await bed.report(childId);
    const draft = bed.draft();
    draft.tasks[1]!.choices = { skin: 'marketStall' };
    await sendProgram(bed.context, ines, { childId, expectedVersion: 1, draft, cautionsRead: true });
    const [before, after] = await bed.read<{ task_id: number; step_since_version: number }>(
      `SELECT t.task_id, t.step_since_version FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id
       WHERE p.child_id = :childId AND t.position = 1 ORDER BY v.number`,
      { childId },
    );
    expect(after).toEqual(before);
    expect((await viewFamily(bed.context, await bed.newestToken(childId))).version!.tasks[1]!.content.title.en).toBe('Stand lift');
  });
});
