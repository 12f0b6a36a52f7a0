import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020';
import { readTaskPack, taskPackJsonSchema, writeTaskPack, type PackFault } from '..';
import { loadLibrary } from '../../../library/loadLibrary';

const library = loadLibrary();
const pack = (change: (raw: { tasks: Record<string, unknown>[] } & Record<string, unknown>) => void = () => {}): string => {
  const raw = JSON.parse(writeTaskPack({ name: 'Yard', tasks: library.slice(0, 3) }));
  change(raw);
  return JSON.stringify(raw);
};
const atOnce = () => Promise.resolve();
const faultsOf = async (text: string): Promise<readonly PackFault[]> => {
  const read = await readTaskPack(text, atOnce);
  return read.ok ? [] : read.issues;
};

describe('a task pack', () => {
  it('comes back as it went out, the whole stock library too', async () => {
    const read = await readTaskPack(writeTaskPack({ name: 'Stock', tasks: library }), atOnce);
    expect(read).toEqual({ ok: true, value: { name: 'Stock', tasks: library } });
  });

  it('lets others in before each task is parsed and before each is checked, so that the house stays open', async () => {
    let breaths = 0;
    await readTaskPack(pack(), async () => void (breaths += 1));
    expect(breaths).toBe(6);
  });

  it('is refused whole, with every fault by its path', async () => {
    const faults = await faultsOf(
      pack((raw) => {
        raw.tasks[0]!.title = { en: '' };
        (raw.tasks[1]!.dose as Record<string, unknown>).rounds = 0;
        raw.tasks[2]!.colour = 'green';
      }),
    );
    expect(faults.map((fault) => fault.path)).toEqual(['tasks.0.title.en', 'tasks.1.dose.rounds', 'tasks.2.colour']);
  });

  it('is refused for a ladder that is not sound, and for a slug twice', async () => {
    const unsound = pack((raw) => {
      (raw.tasks[0]!.ladder as { startStep: number }).startStep = 1;
      raw.tasks[1]!.slug = raw.tasks[0]!.slug;
    });
    expect(await faultsOf(unsound)).toEqual([
      expect.objectContaining({ code: 'unsound', path: 'tasks.0.ladder' }),
      { code: 'sameSlug', path: 'tasks.1.slug', slug: library[0]!.slug },
    ]);
  });

  it.each([
    ['no JSON', '{"format": ', 'notJson', ''],
    ['another format', pack((raw) => (raw.format = 'other')), 'form', 'format'],
    ['another version', pack((raw) => (raw.version = 2)), 'form', 'version'],
    ['no tasks', pack((raw) => (raw.tasks = [])), 'form', 'tasks'],
    ['a list in place of a pack', '[]', 'form', ''],
  ])('is refused for %s', async (_name, text, code, path) => {
    expect(await faultsOf(text)).toContainEqual(expect.objectContaining({ code, path }));
  });
});

describe('the published schema', () => {
  const schema = taskPackJsonSchema();
  const validate = new Ajv2020({ allErrors: true, strict: false }).compile(schema);

  it('is the one in docs/', () => {
    expect(JSON.parse(readFileSync('docs/task-pack.schema.json', 'utf8'))).toEqual(JSON.parse(JSON.stringify(schema)));
  });

  it('lets an independent validator take what we write and refuse what we refuse', async () => {
    expect(validate(JSON.parse(writeTaskPack({ name: 'Stock', tasks: library })))).toBe(true);
    const bad: readonly string[] = [
      pack((raw) => (raw.tasks[0]!.skill = 'juggling')),
      pack((raw) => delete raw.tasks[0]!.ladder),
      pack((raw) => (raw.name = '')),
      pack((raw) => (raw.tasks[1]!.colour = 'green')),
    ];
    for (const text of bad) {
      expect(validate(JSON.parse(text))).toBe(false);
      expect((await readTaskPack(text, atOnce)).ok).toBe(false);
    }
  });
});
