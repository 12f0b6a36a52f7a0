import { changeHome } from '@/server/students/changeHome';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { deleteDraft, storeDraft, shelveTask, startTask } from '@/server/tasks/taskDrafts';
import { exportPack, importPack } from '@/server/tasks/packs';
import { viewTaskEditor } from '@/server/tasks/viewTaskEditor';
import { setShelf } from '@/server/tasks/setShelf';
import { addStockTasks } from '@/server/tasks/stockLibrary';
import { viewContents } from '@/server/tasks/viewContents';
import { viewLibrary } from '@/server/tasks/viewLibrary';
import { loadLibrary } from '../../library/loadLibrary';
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
  return (await viewTaskEditor(bed.context, ines, made.slug)).content;
};

describe('the bench', () => {
  it('copies a stock task before it is changed, keeps work, and puts it into the library as version 1', async () => {
    const copy = await copyOf('crane-lift', 'Crane lift, our way');
    expect(copy).toMatchObject({ slug: 'crane-lift-our-way', title: { en: 'Crane lift, our way', es: 'La grúa' } });
    const changed = { ...copy, dose: { ...copy.dose, rounds: 2 } };
    await storeDraft(bed.context, ines, changed);
    const view = await viewTaskEditor(bed.context, ines, copy.slug);
    expect(view).toMatchObject({ mayChange: true, taskVersionId: null, content: { dose: { rounds: 2 } } });
    expect(view.stock!.slug).toBe('crane-lift');
    expect((await viewLibrary(bed.context, ines)).inEditor).toContainEqual({ slug: copy.slug, title: 'Crane lift, our way', isNew: true });
    expect(await shelveTask(bed.context, ines, changed)).toEqual({ number: 1 });
    expect(await shelf(copy.slug)).toMatchObject({ number: 1, ownerName: 'Ines Calloway-Brandt' });
    expect((await viewLibrary(bed.context, ines)).inEditor).toEqual([]);
  });

  it('makes further versions; what it was copied from stays to compare with', async () => {
    const { content } = await viewTaskEditor(bed.context, ines, 'crane-lift-our-way');
    await storeDraft(bed.context, ines, { ...content, dose: { ...content.dose, rounds: 3 } });
    expect(await shelveTask(bed.context, ines, { ...content, dose: { ...content.dose, rounds: 3 } })).toEqual({ number: 2 });
    const view = await viewTaskEditor(bed.context, ines, 'crane-lift-our-way');
    expect(view.versions.map((version) => version.number)).toEqual([2, 1]);
    expect(view.stock!.slug).toBe('crane-lift');
  });

  it('makes a task from nothing, with a slug of its own, and lets it be unfinished', async () => {
    const first = await startTask(bed.context, ines, { from: null, title: '  Niño’s 2nd lift ' });
    const second = await startTask(bed.context, ines, { from: null, title: 'Niño’s 2nd lift' });
    expect([first.slug, second.slug]).toEqual(['nino-s-2nd-lift', 'nino-s-2nd-lift-2']);
    const { content } = await viewTaskEditor(bed.context, ines, first.slug);
    expect(content.title).toEqual({ en: 'Niño’s 2nd lift' });
    expect(await refusal(shelveTask(bed.context, ines, content))).toBe('invalid');
    await deleteDraft(bed.context, ines, first.slug);
    expect(await refusal(viewTaskEditor(bed.context, ines, first.slug))).toBe('notFound');
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
    await expect(storeDraft(bed.context, ines, { ...copy, ladder: 'none' })).rejects.toMatchObject({ code: 'invalid' });
    expect((await viewTaskEditor(bed.context, ines, copy.slug)).content).toEqual(copy);
  });

  it('lets nobody change a stock task or another person’s, and an assistant none', async () => {
    const { content } = await viewTaskEditor(bed.context, ines, 'crane-lift');
    expect(await refusal(storeDraft(bed.context, ines, content))).toBe('notAllowed');
    expect(await refusal(shelveTask(bed.context, ines, content))).toBe('notAllowed');
    const hers = (await viewTaskEditor(bed.context, marit, 'crane-lift-our-way')).content;
    expect((await viewTaskEditor(bed.context, marit, 'crane-lift-our-way')).mayChange).toBe(false);
    expect(await refusal(shelveTask(bed.context, marit, hers))).toBe('notAllowed');
    expect(await refusal(startTask(bed.context, teodor, { from: 'crane-lift', title: 'Mine' }))).toBe('notAllowed');
    expect((await viewTaskEditor(bed.context, teodor, 'crane-lift')).mayChange).toBe(false);
  });

  it('lets two people begin a task of the same name: both can put theirs into the library', async () => {
    const hers = await startTask(bed.context, ines, { from: 'wall-push', title: 'Same name' });
    const theirs = await startTask(bed.context, marit, { from: 'wall-push', title: 'Same name' });
    expect([hers.slug, theirs.slug]).toEqual(['same-name', 'same-name-2']);
    expect(await shelveTask(bed.context, ines, (await viewTaskEditor(bed.context, ines, hers.slug)).content)).toEqual({ number: 1 });
    expect(await shelveTask(bed.context, marit, (await viewTaskEditor(bed.context, marit, theirs.slug)).content)).toEqual({ number: 1 });
  });

  it('takes no pack in over what lies on another’s bench', async () => {
    const { slug } = await startTask(bed.context, ines, { from: 'wall-push', title: 'On my bench' });
    const pack = (await exportPack(bed.context, marit, ['wall-push'])).replaceAll('"wall-push"', `"${slug}"`);
    expect(await importPack(bed.context, marit, pack)).toEqual({ ok: false, faults: [], taken: [slug] });
    expect((await viewTaskEditor(bed.context, ines, slug)).mayChange).toBe(true);
  });

  it('keeps each person’s bench to themselves', async () => {
    await copyOf('tile-the-roof', 'Only mine');
    expect((await viewLibrary(bed.context, marit)).inEditor.map((draft) => draft.slug)).not.toContain('only-mine');
    expect(await refusal(viewTaskEditor(bed.context, marit, 'only-mine'))).toBe('notFound');
    expect(await refusal(viewTaskEditor(bed.context, ines, 'never-heard-of'))).toBe('notFound');
  });

  it('says when another version came since the work began', async () => {
    const copy = await copyOf('wall-push', 'Raced');
    await shelveTask(bed.context, ines, copy);
    await storeDraft(bed.context, ines, copy);
    // A second window shelves first, as a pack does: straight past the draft.
    expect((await importPack(bed.context, ines, await exportPack(bed.context, ines, ['raced']))).ok).toBe(true);
    expect(await refusal(shelveTask(bed.context, ines, copy))).toBe('staleTask');
    expect((await viewTaskEditor(bed.context, ines, 'raced')).draftSavedAt).not.toBeNull();
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

describe('for whom a task stands in the library', () => {
  it('everybody, its owner alone, or nobody: what was sent keeps it', async () => {
    const { slug } = await startTask(bed.context, ines, { from: 'crane-lift', title: 'Shelf lift' });
    await shelveTask(bed.context, ines, { ...bed.tasks.find(({ content }) => content.slug === 'crane-lift')!.content, slug });
    const seenBy = async (actor: PersonActor) =>
      (await viewContents(bed.context, actor)).tasks.some(({ content }) => content.slug === slug);
    const keys = async () => (await viewContents(bed.context, marit)).key;
    expect([await seenBy(ines), await seenBy(marit)]).toEqual([true, true]);
    const before = await keys();
    await setShelf(bed.context, ines, { slug, shelf: 'owner' });
    expect([await seenBy(ines), await seenBy(marit), (await keys()) === before]).toEqual([true, false, false]);
    expect(await refusal(viewTaskEditor(bed.context, marit, slug))).toBe('notFound');
    await setShelf(bed.context, ines, { slug, shelf: 'nobody' });
    expect([await seenBy(ines), await seenBy(marit)]).toEqual([false, false]);
    expect((await viewLibrary(bed.context, ines)).tasks.find((task) => task.slug === slug)).toMatchObject({ shelf: 'nobody' });
    expect(await refusal(setShelf(bed.context, marit, { slug, shelf: 'everybody' }))).toBe('notAllowed');
    expect(await refusal(setShelf(bed.context, ines, { slug: 'crane-lift', shelf: 'nobody' }))).toBe('notAllowed');
    expect(await refusal(setShelf(bed.context, ines, { slug, shelf: 'cellar' }))).toBe('invalid');
    expect(await refusal(setShelf(bed.context, ines, { slug: 'no-such', shelf: 'nobody' }))).toBe('notFound');
  });

  it('stock that was mended comes as its next version, stock that is none any more leaves the shelf', async () => {
    const stock = loadLibrary();
    const [first, second] = stock as [TaskContent, TaskContent];
    const mended = { ...first, title: { ...first.title, en: 'Mended title' } };
    expect(await addStockTasks(bed.context, [mended, ...stock.slice(2)])).toBe(1);
    const now = (await viewContents(bed.context, ines)).tasks.map(({ content }) => content);
    expect(now.find(({ slug }) => slug === first.slug)!.title.en).toBe('Mended title');
    expect(now.some(({ slug }) => slug === second.slug)).toBe(false);
    expect(await addStockTasks(bed.context, stock)).toBe(1);
    expect((await viewContents(bed.context, ines)).tasks.some(({ content }) => content.slug === second.slug)).toBe(true);
  });
});
