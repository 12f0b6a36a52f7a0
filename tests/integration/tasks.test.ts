import { changeHome } from '@/server/caseload/changeHome';
import { sendProgram } from '@/server/programs/sendProgram';
import { viewContents } from '@/server/tasks/viewContents';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { viewFamily } from '@/server/reports/viewFamily';
import { dropDraft, keepDraft, shelveTask, startTask } from '@/server/tasks/benchWork';
import { exportPack, importPack } from '@/server/tasks/packs';
import { decide } from '@/server/rounds/decide';
import { viewRounds } from '@/server/rounds/viewRounds';
import { viewBench, viewVersion } from '@/server/tasks/viewBench';
import { viewLibrary } from '@/server/tasks/viewLibrary';
import type { PersonActor } from '@/server/actor';
import type { TaskContent } from '@/core/tasks';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let marit: PersonActor;
let teodor: PersonActor;

beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  marit = await bed.person('Marit Oyelaran-Voss', 'supervisor');
  teodor = await bed.person('Teodor Wray', 'assistant');
});
afterAll(() => bed.close());

const shelf = async (slug: string) => (await viewLibrary(bed.context, ines)).tasks.find((task) => task.slug === slug);
const copyOf = async (slug: string, title: string): Promise<TaskContent> => {
  const made = await startTask(bed.context, ines, { from: slug, title });
  return (await viewBench(bed.context, ines, made.slug)).content;
};

describe('the bench', () => {
  it('copies a stock task before it is changed, keeps work, and puts it into the library as version 1', async () => {
    const copy = await copyOf('crane-lift', 'Crane lift, our way');
    expect(copy).toMatchObject({ slug: 'crane-lift-our-way', title: { en: 'Crane lift, our way', es: 'La grúa' } });
    const changed = { ...copy, dose: { ...copy.dose, rounds: 2 } };
    await keepDraft(bed.context, ines, changed);
    const view = await viewBench(bed.context, ines, copy.slug);
    expect(view).toMatchObject({ mayChange: true, taskVersionId: null, content: { dose: { rounds: 2 } } });
    expect(view.stock!.slug).toBe('crane-lift');
    expect((await viewLibrary(bed.context, ines)).onBench).toContainEqual({ slug: copy.slug, title: 'Crane lift, our way', isNew: true });
    expect(await shelveTask(bed.context, ines, changed)).toEqual({ number: 1 });
    expect(await shelf(copy.slug)).toMatchObject({ number: 1, ownerName: 'Ines Calloway-Brandt' });
    expect((await viewLibrary(bed.context, ines)).onBench).toEqual([]);
  });

  it('makes further versions; what it was copied from stays to compare with', async () => {
    const { content } = await viewBench(bed.context, ines, 'crane-lift-our-way');
    await keepDraft(bed.context, ines, { ...content, dose: { ...content.dose, rounds: 3 } });
    expect(await shelveTask(bed.context, ines, { ...content, dose: { ...content.dose, rounds: 3 } })).toEqual({ number: 2 });
    const view = await viewBench(bed.context, ines, 'crane-lift-our-way');
    expect(view.versions.map((version) => version.number)).toEqual([2, 1]);
    expect(view.stock!.slug).toBe('crane-lift');
  });

  it('makes a task from nothing, with a slug of its own, and lets it be unfinished', async () => {
    const first = await startTask(bed.context, ines, { from: null, title: '  Niño’s 2nd lift ' });
    const second = await startTask(bed.context, ines, { from: null, title: 'Niño’s 2nd lift' });
    expect([first.slug, second.slug]).toEqual(['nino-s-2nd-lift', 'nino-s-2nd-lift-2']);
    const { content } = await viewBench(bed.context, ines, first.slug);
    expect(content.title).toEqual({ en: 'Niño’s 2nd lift' });
    expect(await refusal(shelveTask(bed.context, ines, content))).toBe('invalid');
    await dropDraft(bed.context, ines, first.slug);
    expect(await refusal(viewBench(bed.context, ines, first.slug))).toBe('notFound');
  });

  it('puts no unsound task into the library, and says what is wrong', async () => {
    const copy = await copyOf('crane-lift', 'Unsound');
    const unsound = { ...copy, ladder: { ...copy.ladder, startStep: 1 } };
    await expect(shelveTask(bed.context, ines, unsound)).rejects.toMatchObject({
      code: 'invalid',
      detail: { findings: [expect.objectContaining({ code: 'ladder', path: 'ladder' })] },
    });
    expect(await shelf('unsound')).toBeUndefined();
  });

  it('refuses what is no task, and does not lose what was there', async () => {
    const copy = await copyOf('star-beams', 'Kept');
    await expect(keepDraft(bed.context, ines, { ...copy, ladder: 'none' })).rejects.toMatchObject({ code: 'invalid' });
    expect((await viewBench(bed.context, ines, copy.slug)).content).toEqual(copy);
  });

  it('lets nobody change a stock task or another person’s, and an assistant none', async () => {
    const { content } = await viewBench(bed.context, ines, 'crane-lift');
    expect(await refusal(keepDraft(bed.context, ines, content))).toBe('notAllowed');
    expect(await refusal(shelveTask(bed.context, ines, content))).toBe('notAllowed');
    const hers = (await viewBench(bed.context, marit, 'crane-lift-our-way')).content;
    expect((await viewBench(bed.context, marit, 'crane-lift-our-way')).mayChange).toBe(false);
    expect(await refusal(shelveTask(bed.context, marit, hers))).toBe('notAllowed');
    expect(await refusal(startTask(bed.context, teodor, { from: 'crane-lift', title: 'Mine' }))).toBe('notAllowed');
    expect((await viewBench(bed.context, teodor, 'crane-lift')).mayChange).toBe(false);
  });

  it('lets two people begin a task of the same name: both can put theirs into the library', async () => {
    const hers = await startTask(bed.context, ines, { from: 'wall-push', title: 'Same name' });
    const theirs = await startTask(bed.context, marit, { from: 'wall-push', title: 'Same name' });
    expect([hers.slug, theirs.slug]).toEqual(['same-name', 'same-name-2']);
    expect(await shelveTask(bed.context, ines, (await viewBench(bed.context, ines, hers.slug)).content)).toEqual({ number: 1 });
    expect(await shelveTask(bed.context, marit, (await viewBench(bed.context, marit, theirs.slug)).content)).toEqual({ number: 1 });
  });

  it('takes no pack in over what lies on another’s bench', async () => {
    const { slug } = await startTask(bed.context, ines, { from: 'wall-push', title: 'On my bench' });
    const pack = (await exportPack(bed.context, marit, ['wall-push'])).replaceAll('"wall-push"', `"${slug}"`);
    expect(await importPack(bed.context, marit, pack)).toEqual({ ok: false, faults: [], taken: [slug] });
    expect((await viewBench(bed.context, ines, slug)).mayChange).toBe(true);
  });

  it('keeps each person’s bench to themselves', async () => {
    await copyOf('tile-the-roof', 'Only mine');
    expect((await viewLibrary(bed.context, marit)).onBench.map((draft) => draft.slug)).not.toContain('only-mine');
    expect(await refusal(viewBench(bed.context, marit, 'only-mine'))).toBe('notFound');
    expect(await refusal(viewBench(bed.context, ines, 'never-heard-of'))).toBe('notFound');
  });

  it('says when another version came since the work began', async () => {
    const copy = await copyOf('wall-push', 'Raced');
    await shelveTask(bed.context, ines, copy);
    await keepDraft(bed.context, ines, copy);
    // A second window shelves first, as a pack does: straight past the draft.
    expect((await importPack(bed.context, ines, await exportPack(bed.context, ines, ['raced']))).ok).toBe(true);
    expect(await refusal(shelveTask(bed.context, ines, copy))).toBe('staleTask');
    expect((await viewBench(bed.context, ines, 'raced')).draftSavedAt).not.toBeNull();
  });
});

describe('packs', () => {
  it('go out and come in whole', async () => {
    const text = await exportPack(bed.context, ines, ['crane-lift-our-way']);
    const renamed = text.replaceAll('crane-lift-our-way', 'from-a-pack');
    expect(await importPack(bed.context, marit, renamed)).toEqual({ ok: true, added: ['from-a-pack'] });
    expect(await shelf('from-a-pack')).toMatchObject({ ownerName: 'Marit Oyelaran-Voss', content: { dose: { rounds: 3 } } });
  });

  it('are refused whole for a fault or for a slug that is somebody else’s', async () => {
    const before = (await viewLibrary(bed.context, ines)).tasks.length;
    const text = await exportPack(bed.context, ines, ['crane-lift', 'star-beams']);
    expect(await importPack(bed.context, ines, text)).toEqual({ ok: false, faults: [], taken: ['crane-lift', 'star-beams'] });
    expect(await importPack(bed.context, ines, '{')).toMatchObject({ ok: false, faults: [{ code: 'notJson' }] });
    expect(await refusal(importPack(bed.context, teodor, text))).toBe('notAllowed');
    expect(await refusal(exportPack(bed.context, teodor, []))).toBe('notFound');
    expect((await viewLibrary(bed.context, ines)).tasks).toHaveLength(before);
  });
});

describe('what a home has, and how its tasks are done', () => {
  it('is changed by who may change the child, and shows in the next program', async () => {
    const childId = await bed.child(ines);
    await changeHome(bed.context, ines, {
      childId,
      taskSettings: { hands: 'preferred', shapeOrder: 'free', freeShapes: ['x', 'cross'] },
      materialsAtHome: ['card', 'card', 'box'],
    });
    const { child } = await viewBuilder(bed.context, ines, childId);
    expect(child).toMatchObject({ taskSettings: { hands: 'preferred', freeShapes: ['x', 'cross'] }, materialsAtHome: ['card', 'box'] });
  });

  it('is refused for an assistant, for another’s child, and for what is no setting', async () => {
    const childId = await bed.child(ines);
    await bed.share(childId, teodor, 'assist');
    const change = (actor: PersonActor, raw: object) =>
      refusal(changeHome(bed.context, actor, { childId, taskSettings: {}, materialsAtHome: [], ...raw }));
    expect(await change(teodor, {})).toBe('notAllowed');
    expect(await change(marit, {})).toBe('notFound');
    expect(await change(ines, { taskSettings: { helpBy: 'magic' } })).toBe('invalid');
    expect(await change(ines, { materialsAtHome: ['DROP TABLE'] })).toBe('invalid');
  });
});

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
      'kitchen tongs',
      'soft sponge cubes, 50 mm',
      'bowl',
      'paper cup',
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
    expect(task!.content.materials[0]!.name.en).toBe('soft clay, no flour');
  });

  it('lets no key press in Rounds past a rule of safety: the step up waits for a reason in the builder', async () => {
    const childId = await bed.child(ines, { mouthsThings: true });
    const draft = bed.draft(['pocket-the-washers', 'crane-lift']);
    Object.assign(draft.tasks[0]!, { step: 5, chooseFrom: 5, chooseTo: 6 });
    await sendProgram(bed.context, ines, { childId, expectedVersion: 0, draft, cautionsRead: true });
    for (let day = 0; day < 3; day += 1) {
      const versionTaskId = await bed.versionTaskId(childId, 'pocket-the-washers');
      await bed.report(childId, { versionTaskId });
      bed.passDays(1);
    }
    const here = (await viewRounds(bed.context, ines, null)).here!;
    expect(here).toMatchObject({ child: { id: childId }, decision: { kind: 'ready', suggestion: { toStep: 6 } } });
    const up = decide(bed.context, ines, { childId, key: here.decision.key, answer: 'up', expectedVersion: 1 });
    await expect(up).rejects.toMatchObject({ code: 'unsafeStep', detail: { step: 6, things: 'washers' } });
    expect(
      await bed.read(
        'SELECT MAX(v.number) AS number FROM program_versions v JOIN programs p ON p.id = v.program_id WHERE p.child_id = :childId',
        { childId },
      ),
    ).toEqual([{ number: 1 }]);
  });

  it('keeps a placed task in its version when the library gets a newer one, and shows both', async () => {
    const made = await startTask(bed.context, ines, { from: 'wall-push', title: 'Versioned' });
    const { content } = await viewBench(bed.context, ines, made.slug);
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
    await keepDraft(bed.context, ines, { ...content, dose: { ...content.dose, rounds: 2 } });
    await shelveTask(bed.context, ines, { ...content, dose: { ...content.dose, rounds: 2 } });
    const view = await viewBuilder(bed.context, ines, childId);
    expect(view.placed.map((task) => task.taskVersionId)).toEqual([first.taskVersionId]);
    const library = await viewContents(bed.context, ines);
    expect(library.key).toBe(view.libraryKey);
    expect(keyBefore).not.toBe(library.key);
    expect(library.tasks.find((task) => task.taskId === first.taskId)!.taskVersionId).not.toBe(first.taskVersionId);
    expect(await viewVersion(bed.context, ines, 'versioned', 1)).toEqual(content);
    expect(await refusal(viewVersion(bed.context, ines, 'versioned', 9))).toBe('notFound');
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
    expect((await viewFamily(bed.context, await bed.newestToken(childId))).version!.tasks[1]!.content.title.en).toBe('Stall lift');
  });
});
