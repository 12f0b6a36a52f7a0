import { BUNDLES, checkTask, findTasks, lackingFor, thingsOf, type TaskFinding } from '.';
import { familyTexts } from './checkTask';
import { stepsWith } from './findTasks';
import type { TaskContent } from '../tasks';
import { loadLibrary } from '../../../library/loadLibrary';

const library = loadLibrary();
const task = (slug: string) => library.find((each) => each.slug === slug)!;
const crane = task('crane-lift');
const found = (content: TaskContent) => checkTask(content).filter((finding) => finding.severity !== 'note');
const with1 = (change: Partial<TaskContent>): TaskContent => ({ ...crane, ...change });
const withFood: TaskContent = { ...crane, moveHazards: ['food'] };
const tongs = crane.materials[0]!;

describe('the checks of a task say what, where and how bad', () => {
  it('find nothing in a sound one', () => {
    expect(found(crane)).toEqual([]);
  });

  it.each<[string, TaskContent, Partial<TaskFinding>]>([
    ['a fault of the ladder', with1({ ladder: { ...crane.ladder, startStep: 1 } }), { code: 'ladder', path: 'ladder', severity: 'error' }],
    [
      'a fault of one step',
      with1({
        ladder: {
          ...crane.ladder,
          steps: crane.ladder.steps.map((step, index) => (index === 2 ? { ...step, grade: crane.ladder.steps[1]!.grade } : step)),
        },
      }),
      { code: 'ladder', path: 'ladder.steps.2', severity: 'error' },
    ],
    ['a knob twice', with1({ knobs: [...crane.knobs, crane.knobs[0]!] }), { code: 'knobTwice', path: 'knobs.5', severity: 'error' }],
    [
      'a knob of its own without a name',
      with1({ knobs: [...crane.knobs, { knob: 'own:wind', levels: crane.knobs[0]!.levels }] }),
      { code: 'ownKnobUnnamed', path: 'knobs.5', severity: 'error' },
    ],
    [
      'a level that needs an unknown thing',
      with1({
        knobs: crane.knobs.map((knob, index) =>
          index ? knob : { ...knob, levels: knob.levels.map((level) => ({ ...level, needs: ['crowbar'] })) },
        ),
      }),
      { code: 'needUnknown', path: 'knobs.0', id: 'crowbar' } as Partial<TaskFinding>,
    ],
    [
      'few steps',
      with1({ ladder: { ...crane.ladder, steps: crane.ladder.steps.slice(0, 4) } }),
      { code: 'stepsOutside', path: 'ladder', severity: 'warning' },
    ],
    ['ages turned round', with1({ ages: { fromYears: 9, toYears: 4 } }), { code: 'agesTurned', path: 'ages', severity: 'error' }],
    ['a long day', with1({ dose: { ...crane.dose, rounds: 20 } }), { code: 'longDose', path: 'dose', severity: 'warning' }],
    [
      'too much firm squeezing',
      with1({ dose: { ...crane.dose, heavyGrip: true, rounds: 5 } }),
      { code: 'heavyOverCap', path: 'dose', severity: 'warning' },
    ],
    [
      'a title that speaks of what no thing brings',
      with1({ title: { en: 'Cut the snack' } }),
      { code: 'titleNamesHazard', path: 'title', said: 'Cut', severity: 'warning' },
    ],
    [
      'a thing twice for the same steps',
      with1({ materials: [...crane.materials, tongs] }),
      { code: 'materialTwice', path: 'materials.5', severity: 'error' },
    ],
    [
      'a thing for steps that are not there',
      with1({ materials: [{ ...tongs, steps: { from: 2, to: 12 } }] }),
      { code: 'materialOffLadder', path: 'materials.0', severity: 'error' },
    ],
    [
      'a thing without a size',
      with1({ materials: [{ ...tongs, shape: undefined }] }),
      { code: 'noShape', path: 'materials.0', severity: 'warning' },
    ],
    [
      'a substitute that names no level',
      with1({ materials: [{ ...tongs, substitutes: [{ ...tongs.substitutes[0]!, levels: [{ knob: 'tool', level: 9 }] }] }] }),
      { code: 'substituteOffKnob', path: 'materials.0.substitutes.0', severity: 'error' },
    ],
    ['scissors without a twin', { ...task('arch'), twins: [] }, { code: 'noTwin', path: 'twins', severity: 'warning' }],
    [
      'food without a twin',
      { ...withFood, twins: [{ slug: 'clip-the-plans', instead: 'scissors' }] },
      { code: 'noTwin', path: 'twins', trait: 'food' } as Partial<TaskFinding>,
    ],
    [
      'an order of shapes that changes nothing',
      with1({ settings: { shapeOrder: 'circleFirst' } }),
      { code: 'idleSetting', path: 'settings', setting: 'shapeOrder', severity: 'warning' } as Partial<TaskFinding>,
    ],
    [
      'trace or imitate that changes nothing',
      with1({ settings: { markOrder: 'traceFirst' } }),
      { code: 'idleSetting', path: 'settings', setting: 'markOrder' } as Partial<TaskFinding>,
    ],
    ['no cue', with1({ cues: [] }), { code: 'noCue', path: 'cues', severity: 'warning' }],
    [
      'jargon',
      with1({ helperSteps: [{ en: 'Hold the forearm.', es: 'Sujete el brazo.' }] }),
      { code: 'wording', path: 'helperSteps.0', language: 'en', severity: 'warning' } as Partial<TaskFinding>,
    ],
  ])('%s', (_name, content, finding) => {
    expect(checkTask(content)).toContainEqual(expect.objectContaining(finding));
  });

  it('words that are too hard, over the whole text, as an error', () => {
    const hard = 'Encourage independent manipulation of miscellaneous construction materials.';
    const content = with1({
      helperSteps: Array(8).fill({ en: hard, es: 'Sujete la caja.' }),
      childSteps: Array(8).fill({ en: hard, es: 'Toma uno.' }),
      looksRight: Array(6).fill({ en: hard, es: 'Bien.' }),
    });
    expect(checkTask(content)).toContainEqual(
      expect.objectContaining({
        code: 'wording',
        path: 'words',
        language: 'en',
        severity: 'error',
        finding: expect.objectContaining({ code: 'gradeTooHigh' }),
      }),
    );
  });

  it('pieces that nothing has, and what a substitute does to the ladder, as notes', () => {
    const pieces = with1({ dose: { ...crane.dose, piecesPerRepetition: 2 } });
    expect(checkTask(pieces)).toContainEqual({ severity: 'note', path: 'dose', code: 'noPiecesMaterial', pieces: 20 });
    expect(checkTask(crane)).toContainEqual(
      expect.objectContaining({ severity: 'note', code: 'substituteBreaks', path: 'materials.0.substitutes.0' }),
    );
  });

  it('know every text that a family reads by its place', () => {
    const paths = familyTexts(crane).map((each) => each.path);
    expect(paths).toEqual(
      expect.arrayContaining([
        'description',
        'story',
        'ladder.steps.6',
        'helperSteps.0',
        'childSteps.1',
        'cues.0',
        'looksRight.2',
        'cautions.0',
        'stopRule',
      ]),
    );
    expect(new Set(paths).size).toBe(paths.length);
  });
});

describe('finding tasks', () => {
  const shelf = library.map((content) => ({ content }));
  const slugs = (options: Parameters<typeof findTasks>[1]) =>
    findTasks(shelf, options, (content) => content.skill).map((each) => each.content.slug);

  it('by words of title, description and material in any order, without regard to case and marks', () => {
    expect(slugs({ search: 'LIFT crane' })).toEqual(['crane-lift']);
    expect(slugs({ search: 'grua' })).toContain('crane-lift');
    expect(slugs({ search: 'clothespin' })).toEqual(expect.arrayContaining(['clip-crane', 'clip-the-plans', 'crane-lift']));
    expect(slugs({ search: 'straight line cut' })).toEqual(['cut-the-planks']);
    expect(slugs({ search: 'recortar un circulo' })).toEqual(['wheel']);
    expect(slugs({ search: 'zeppelin' })).toEqual([]);
  });

  it('by skill, main ones first', () => {
    const folding = slugs({ skill: 'folding' });
    const isMain = (slug: string) => task(slug).skill === 'folding';
    expect(folding.map(isMain)).toEqual(folding.map(isMain).toSorted((a, b) => Number(b) - Number(a)));
    expect(isMain('fold-the-plan')).toBe(true);
    expect(folding).toContain('window-on-the-fold');
  });

  it('by age, minutes, theme, without scissors or food', () => {
    expect(slugs({ ageYears: 3 })).not.toContain('delivery-note');
    expect(slugs({ mostMinutes: 3 })).not.toContain('delivery-note');
    expect(slugs({ noScissors: true })).not.toContain('wheel');
    expect(findTasks([{ content: withFood }], { noFood: true })).toEqual([]);
    expect(slugs({ skin: 'marketStall' })).toHaveLength(library.length);
    expect(findTasks([{ content: { ...crane, skins: {} } }], { skin: 'marketStall' })).toEqual([]);
  });

  it('by a set for a common beginning: five stock tasks each, all of them there', () => {
    for (const { id, slugs: five } of BUNDLES) expect([id, slugs({ bundle: id }).toSorted()]).toEqual([id, [...five].toSorted()]);
    expect(new Set(BUNDLES.map(({ slugs: five }) => five.length))).toEqual(new Set([5]));
  });

  it('by what is at hand: what can we do with clothes pegs and card?', () => {
    expect(slugs({ atHand: ['clothes-pegs', 'card'] })).toContain('clip-the-plans');
    expect(slugs({ atHand: ['clothes-pegs', 'card'] })).not.toContain('crane-lift');
    expect(slugs({ atHand: ['submarine'] })).toEqual([]);
  });

  it('and at which steps: those whose things are all there', () => {
    expect(stepsWith(task('clip-the-plans'), ['clothes-pegs', 'card'])).toEqual({ from: 1, to: 2 });
    expect(stepsWith(task('clip-the-plans'), ['clothes-pegs', 'card', 'marker'])).toEqual({ from: 1, to: 6 });
    expect(stepsWith(task('clip-the-plans'), ['marker'])).toBeNull();
  });
});

it('says what one would have to get besides', () => {
  const lacking = (slug: string, ...atHand: string[]) => lackingFor(task(slug), atHand)?.map((material) => material.id) ?? null;
  expect(lacking('clip-the-plans', 'clothes-pegs', 'card')).toEqual([]);
  expect(lacking('clip-the-plans', 'clothes-pegs')).toEqual(['card']);
  expect(lacking('crane-lift', 'clothes-pegs')).toEqual(['box']);
  expect(lacking('crane-lift', 'marker')).toBeNull();
});

it('counts tasks by skill, and lists every thing once', () => {
  const things = thingsOf(library);
  expect(new Set(things.map((thing) => thing.id)).size).toBe(things.length);
  expect(things.map((thing) => thing.id)).toEqual(expect.arrayContaining(['clothes-pegs', 'clay', 'hair-clips']));
});

describe('a step that speaks of the one before it', () => {
  const steps = crane.ladder.steps;
  const saying = (how: { en: string; es: string }) => {
    const ladder = { ...crane.ladder, steps: steps.map((step, index) => (index === 4 ? { ...step, how } : step)) };
    return checkTask({ ...crane, ladder }).flatMap((finding) =>
      finding.code === 'leansOnStepBefore' ? [[finding.path, finding.language, finding.said]] : [],
    );
  };
  const sound = { en: 'Lift one peg into the cup.', es: 'Levanten un gancho a la taza.' };

  // Each of them stood in the library once.
  it.each([
    ['No stick. Leave a gap by eye.', 'No'],
    ['The strip is wider now.', 'now'],
    ['The path is wider. Cut along it.', 'The path is wider'],
    ['Same loose band. Count slowly.', 'Same'],
    ['The same with a pencil.', 'The same with'],
    ['Do not lift the edge any more.', 'any more'],
    ['Use a small cup in place of the box.', 'in place of'],
  ])('%s', (en, said) => {
    expect(saying({ ...sound, en })).toEqual([['ladder.steps.4.how', 'en', said]]);
  });

  it.each([
    ['Sin puntos. Junten las esquinas.', 'Sin'],
    ['La tira ahora es ancha.', 'ahora'],
    ['Lo mismo con lápiz.', 'Lo mismo'],
    ['Usen una taza en vez de la caja.', 'en vez de'],
  ])('%s', (es, said) => {
    expect(saying({ ...sound, es })).toEqual([['ladder.steps.4.how', 'es', said]]);
  });

  it('is not one that draws the same as a card shows', () => {
    expect(saying({ en: 'Look at the card. Draw the same.', es: 'Mire la tarjeta. Dibuje lo mismo.' })).toEqual([]);
  });
});
