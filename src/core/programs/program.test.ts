import { loadLibrary } from '../../../library/loadLibrary';
import { shapesInOneLadder } from '../../../tests/fixtures/shapesInOneLadder';
import { calendarDay } from '../calendar';
import {
  checkProgram,
  contentFor,
  fitFor,
  inOrderOfParts,
  minutesOnWeekday,
  programDraftSchema,
  replacedAt,
  sentLadders,
  toFreeze,
  type ChildFacts,
  type PlannedTask,
  type ProgramDraft,
  type ProgramVersion,
  type TaskChoices,
} from '.';
import type { TaskSettings } from '../tasks';

const library = [...loadLibrary(), ...shapesInOneLadder];
const content = (slug: string) => library.find((task) => task.slug === slug)!;
const today = calendarDay('2026-11-24');
const child: ChildFacts = {
  ageYears: 5,
  hand: 'left',
  mouthsThings: false,
  scissorsAllowed: true,
  allergies: [],
  texturesAvoided: [],
  precautions: [],
  themesNotWanted: [],
  practiceWeekdays: [1, 2, 3, 4, 5, 6, 7],
  minutesPerDay: 20,
  taskSettings: {},
  materialsAtHome: library.flatMap((task) => task.materials.map((material) => material.id)),
};
const planned = (slug: string, change: Partial<PlannedTask> = {}): PlannedTask => {
  const task = content(slug);
  return {
    taskVersionId: library.indexOf(task) + 1,
    part: task.part,
    step: 3,
    chooseFrom: 2,
    chooseTo: 4,
    weekdays: [1, 2, 3, 4, 5],
    dose: task.dose,
    choices: {},
    ...change,
  };
};
const check = (tasks: PlannedTask[], facts: Partial<ChildFacts> = {}, span: Partial<ProgramDraft> = {}) => {
  const draft: ProgramDraft = { startsOn: today, endsOn: calendarDay('2026-12-08'), note: '', tasks, ...span };
  return checkProgram(
    draft,
    tasks.map((task) => library[task.taskVersionId - 1]!),
    { ...child, ...facts },
    today,
  );
};

describe('checks of a program', () => {
  it('finds nothing in a sound one', () => {
    const found = check([planned('open-the-shutters'), planned('crane-lift')]);
    expect(found.map((finding) => (finding.code === 'safety' ? finding.finding.key : finding.code))).toEqual([
      'pinch:kitchen-tongs',
      'pinch:clothes-pegs',
    ]);
    expect(found.every((finding) => finding.severity === 'caution')).toBe(true);
  });

  it.each([
    ['nothing placed', [], {}, {}, { code: 'noTasks', severity: 'error' }],
    ['an end before the start', [planned('crane-lift')], {}, { endsOn: calendarDay('2026-11-23') }, { code: 'endsBeforeStart' }],
    [
      'an end in the past',
      [planned('crane-lift')],
      {},
      { startsOn: calendarDay('2026-11-01'), endsOn: calendarDay('2026-11-23') },
      { code: 'endedAlready' },
    ],
    ['a step off the ladder', [planned('crane-lift', { step: 9, chooseFrom: 9, chooseTo: 9 })], {}, {}, { code: 'stepOffLadder', task: 0 }],
    ['a choice beyond the ladder', [planned('crane-lift', { chooseTo: 9 })], {}, {}, { code: 'chooseOffLadder', task: 0 }],
    ['a choice turned round', [planned('crane-lift', { chooseFrom: 4, chooseTo: 2 })], {}, {}, { code: 'chooseOffLadder' }],
    ['a choice without today’s step', [planned('crane-lift', { chooseFrom: 4, chooseTo: 5 })], {}, {}, { code: 'chooseWithoutStep' }],
    ['no day', [planned('crane-lift', { weekdays: [] })], {}, {}, { code: 'noDays' }],
    ['the same task twice', [planned('crane-lift'), planned('crane-lift')], {}, {}, { code: 'twice', task: 1 }],
    [
      'scissors where the family has not allowed them',
      [planned('cut-the-planks')],
      { scissorsAllowed: false },
      {},
      { code: 'safety', severity: 'error', finding: expect.objectContaining({ rule: 'scissorsNotAllowed', severity: 'block' }) },
    ],
    [
      'small parts for a child who mouths things',
      [planned('pocket-the-washers', { chooseTo: 7 })],
      { mouthsThings: true },
      {},
      { code: 'safety', severity: 'error', finding: expect.objectContaining({ rule: 'smallPart', severity: 'acknowledge' }) },
    ],
    [
      'glue for a child who avoids sticky hands',
      [planned('tile-the-roof')],
      { texturesAvoided: ['sticky'] },
      {},
      { code: 'safety', severity: 'caution', finding: expect.objectContaining({ rule: 'glue' }) },
    ],
    [
      'a child too young',
      [planned('cut-the-planks')],
      { ageYears: 3 },
      {},
      { code: 'safety', severity: 'caution', finding: expect.objectContaining({ rule: 'age', of: '4–9' }) },
    ],
    ['writing without a warm-up', [planned('shape-circle')], {}, {}, { code: 'writingWithoutWarmUp', task: null }],
    [
      'what is not at home',
      [planned('crane-lift')],
      { materialsAtHome: ['box', 'kitchen-tongs', 'sponge-block'] },
      {},
      { code: 'missingAtHome', materials: [expect.objectContaining({ id: 'clothes-pegs' })] },
    ],
    [
      'more minutes than the family has',
      [planned('crane-lift', { dose: { ...content('crane-lift').dose, rounds: 9 } })],
      {},
      {},
      { code: 'overBudget', weekday: 1, budget: 20 },
    ],
  ] as const)('finds %s', (_name, tasks, facts, span, finding) => {
    expect(check([...tasks], facts, span)).toContainEqual(expect.objectContaining(finding));
  });

  it('tells of two that are much the same in another dress, and only of those', () => {
    const told = (...slugs: string[]) => check(slugs.map((slug) => planned(slug))).filter(({ code }) => code === 'sameFamily');
    const as = content('cut-the-planks').title;
    expect(told('cut-the-planks', 'crane-lift', 'arch')).toEqual([{ severity: 'note', code: 'sameFamily', task: 2, as }]);
    expect(told('cut-the-planks', 'crane-lift', 'wall-push')).toEqual([]);
  });

  it('asks for nothing that only other steps need', () => {
    expect(check([planned('bolt-and-nut')], { mouthsThings: true })).not.toContainEqual(
      expect.objectContaining({ finding: expect.objectContaining({ rule: 'smallPart' }) }),
    );
  });

  it('takes a reason for what asks for one, and none for what blocks', () => {
    const washers = (reason?: string) =>
      check(
        [
          planned('pocket-the-washers', {
            step: 7,
            chooseFrom: 7,
            chooseTo: 7,
            choices: reason ? { reasons: { 'smallPart:washers': reason } } : {},
          }),
        ],
        { mouthsThings: true },
      );
    const severities = (findings: ReturnType<typeof check>) =>
      findings.filter((finding) => finding.code === 'safety' && finding.finding.rule === 'smallPart').map((finding) => finding.severity);
    expect(severities(washers())).toEqual(['error']);
    expect(severities(washers('  '))).toEqual(['error']);
    expect(severities(washers('Only at my side'))).toEqual(['caution']);
    const blocked = check([planned('cut-the-planks', { choices: { reasons: { 'scissorsNotAllowed:child-scissors': 'I insist' } } })], {
      scissorsAllowed: false,
    });
    expect(blocked).toContainEqual(
      expect.objectContaining({
        severity: 'error',
        finding: expect.objectContaining({ rule: 'scissorsNotAllowed', twin: 'tear-the-tiles' }),
      }),
    );
  });

  it('says what this home uses in place, and where that levels two steps', () => {
    const home = child.materialsAtHome.filter((id) => id !== 'clothes-pegs');
    const found = check([planned('clip-the-plans', { step: 2, chooseFrom: 1, chooseTo: 3 })], { materialsAtHome: home });
    expect(found).toContainEqual(
      expect.objectContaining({
        severity: 'note',
        code: 'replaced',
        replaced: [expect.objectContaining({ by: expect.objectContaining({ id: 'hair-clips' }), count: 6 })],
      }),
    );
    expect(found).toContainEqual({ severity: 'caution', code: 'substituteLevels', task: 0, steps: [2] });
  });

  it('judges the substitute, not the thing it replaces', () => {
    const home = child.materialsAtHome.filter((id) => id !== 'play-dough');
    const rules = (materialsAtHome: string[]) =>
      check([planned('brick-press')], { materialsAtHome, allergies: ['wheat'] }).flatMap((finding) =>
        finding.code === 'safety' ? [finding.finding.rule] : [],
      );
    expect(rules([...home, 'play-dough'])).toContain('allergen');
    expect(rules([...home, 'clay'])).not.toContain('allergen');
  });

  it('keeps firm squeezing under its cap and gives it days of rest', () => {
    const heavy = planned('clip-the-plans', { dose: { ...content('clip-the-plans').dose, rounds: 9 } });
    expect(check([heavy])).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ code: 'heavyGripOverCap', weekday: 1, repetitions: 108 }),
        expect.objectContaining({ code: 'heavyGripNoRest', weekday: 1 }),
      ]),
    );
  });

  it('takes the child’s settings where nothing is chosen for the task', () => {
    // Without hand over hand the ladder is one step shorter, so that its last step no longer exists.
    const last = planned('road-loop', { step: 5, chooseFrom: 5, chooseTo: 5 });
    expect(check([last])).not.toContainEqual(expect.objectContaining({ code: 'stepOffLadder' }));
    expect(check([last], { taskSettings: { helpBy: 'wrist' } })).toContainEqual(expect.objectContaining({ code: 'stepOffLadder' }));
    expect(check([{ ...last, choices: { settings: { helpBy: 'hand' } } }], { taskSettings: { helpBy: 'wrist' } })).not.toContainEqual(
      expect.objectContaining({ code: 'stepOffLadder' }),
    );
  });

  it('adds up the minutes of one weekday', () => {
    const tasks = [planned('open-the-shutters', { weekdays: [1] }), planned('crane-lift', { weekdays: [1, 2] })];
    expect(minutesOnWeekday({ tasks }, 1)).toBeCloseTo(1 + 4.75);
    expect(minutesOnWeekday({ tasks }, 2)).toBeCloseTo(4.75);
    expect(minutesOnWeekday({ tasks }, 3)).toBe(0);
  });

  it('orders by the parts of a session, and leaves the order within a part', () => {
    const parts = ['selfCare', 'tableWork', 'warmUp', 'tableWork'] as const;
    expect(inOrderOfParts(parts.map((part, place) => ({ part, place }))).map((task) => task.place)).toEqual([2, 1, 3, 0]);
  });

  it('refuses a draft whose days are no days', () => {
    expect(programDraftSchema.safeParse({ startsOn: 'soon', endsOn: '2026-12-08', note: '', tasks: [] }).success).toBe(false);
  });
});

describe('how a task suits a child', () => {
  it('speaks for a goal’s skill, against what is missing, asked or blocked', () => {
    const fit = (slug: string, facts: Partial<ChildFacts> = {}) => fitFor(content(slug), { ...child, ...facts }, ['forceModulation']);
    expect(fit('crane-lift')).toMatchObject({ goalSkill: 'forceModulation', blocks: [], asks: [], missing: [], score: 2 });
    expect(fit('crane-lift', { materialsAtHome: [] }).missing.map((material) => material.id)).toEqual([
      'kitchen-tongs',
      'clothes-pegs',
      'box',
      'sponge-block',
    ]);
    expect(fit('wheel', { scissorsAllowed: false }).blocks.map((finding) => finding.rule)).toEqual(['scissorsNotAllowed']);
    expect(fit('wheel', { scissorsAllowed: false }).score).toBeLessThan(-90);
    expect(fit('glue-dots').score).toBe(2);
    // Another age speaks against it, less than a rule of safety.
    expect(fit('crane-lift', { ageYears: 12 })).toMatchObject({ isOfOtherAge: true, score: -1 });
  });
});

describe('a task as one child is given it', () => {
  it('comes out the same again from what was frozen: settings, skin and substitutes', () => {
    const crane = content('crane-lift');
    const home = ['kitchen-tongs', 'sponge-cube', 'bowl', 'paper-cup'];
    const replaced = replacedAt(crane, home, 1, 7);
    expect(replaced).toEqual({ 'clothes-pegs': 'sponge-cube', box: 'bowl', cup: 'paper-cup', 'sponge-block': 'sponge-cube' });
    const given = contentFor(crane, { skin: 'marketStall', settings: { hands: 'preferred' }, replaced });
    expect(given).toEqual(contentFor(crane, { skin: 'marketStall', replaced }, { hands: 'preferred' }));
    expect(given).toMatchObject({ title: { en: 'Stand lift' }, dose: { hands: 'preferred' } });
    expect(given.materials.map((material) => material.id)).toEqual(['kitchen-tongs', 'sponge-cube', 'bowl', 'paper-cup', 'sponge-cube']);
    expect(contentFor(crane, {}).slug).toBe('crane-lift');
  });
});

it('of two children who differ in one thing alone, a task never suits the one better for whom more is asked or missing', () => {
  const facts = { ...child, mouthsThings: false, allergies: [] };
  for (const content of loadLibrary()) {
    const at = (change: Partial<ChildFacts>) => fitFor(content, { ...facts, ...change }, []);
    const plainly = at({});
    const asked = at({ mouthsThings: true });
    expect(asked.score <= plainly.score).toBe(true);
    if (asked.asks.length + asked.blocks.length > plainly.asks.length + plainly.blocks.length)
      expect(asked.score).toBeLessThan(plainly.score);
  }
});

describe('an order of steps that was sent', () => {
  const shapes = content('roofs-and-ramps');
  const version = (childSettings: TaskSettings): ProgramVersion => ({
    programId: 1,
    number: 1,
    startsOn: today,
    endsOn: today,
    resumesOn: null,
    isEnded: false,
    sentOn: today,
    note: '',
    tasks: [
      {
        ...planned('roofs-and-ramps'),
        versionTaskId: 1,
        taskId: 7,
        content: contentFor(shapes, { childSettings }),
        choices: { childSettings },
        target: 4,
        stepSinceVersion: 1,
      },
    ],
  });
  const draftOf = (choices: TaskChoices = {}) => [planned('roofs-and-ramps', { choices })];
  const found = (choices: TaskChoices, taskSettings: TaskSettings) =>
    checkProgram(
      { startsOn: today, endsOn: calendarDay('2026-12-08'), note: '', tasks: draftOf(choices) },
      [shapes],
      { ...child, taskSettings },
      today,
      sentLadders(version({ shapeOrder: 'strokesFirst' })),
    ).filter(({ code }) => code === 'orderChanged');

  it('is not changed unsaid: another order is kept off or taken', () => {
    expect(found({}, { shapeOrder: 'strokesFirst' })).toEqual([]);
    expect(found({}, { shapeOrder: 'crossingsFirst' })).toMatchObject([{ severity: 'error', task: 0 }]);
    expect(found({ settings: { shapeOrder: 'strokesFirst' } }, { shapeOrder: 'crossingsFirst' })).toEqual([]);
    expect(found({ takesNewOrder: true }, { shapeOrder: 'crossingsFirst' })).toEqual([]);
  });

  it('taken anew begins its evidence anew, and what was chosen to take it is not frozen', () => {
    const freeze = (shapeOrder: 'strokesFirst' | 'crossingsFirst') =>
      toFreeze(
        draftOf({ takesNewOrder: true })[0]!,
        { taskId: 7, taskVersionId: planned('roofs-and-ramps').taskVersionId, content: shapes },
        { ...child, taskSettings: { shapeOrder } },
        version({ shapeOrder: 'strokesFirst' }),
        2,
      );
    expect(freeze('strokesFirst').stepSinceVersion).toBe(1);
    expect(freeze('crossingsFirst').stepSinceVersion).toBe(2);
    expect(freeze('crossingsFirst').choices).not.toHaveProperty('takesNewOrder');
  });
});
