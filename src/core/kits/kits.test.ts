import { loadLibrary } from '../../../library/loadLibrary';
import { addDays, calendarDay, daysFromTo, weekdayOf } from '../calendar';
import { doseAt, calculateDose } from '../dose';
import { plannedDoseOf } from '../tasks';
import { seededRandom } from '../random';
import { judgeSafety, thingsAt } from '../safety';
import { kindOfThing, mayTravel, SPARE_SHARE } from './things';
import { kitOf, preparedFor, purchaseOf, setUpByDay, sheetsFor } from '.';
import { tilesOnSheet } from './shopping';

const library = loadLibrary();
const monday = calendarDay('2026-11-30');
const sunday = addDays(monday, 6);
const child = {
  ageYears: 6,
  mouthsThings: false,
  scissorsAllowed: true,
  allergies: [] as string[],
  texturesAvoided: [],
  materialsAtHome: [] as string[],
};
const given = (slug: string, weekdays: number[], perRound?: number) => {
  const content = library.find((task) => task.slug === slug)!;
  const usual = plannedDoseOf(content);
  const dose = perRound === undefined ? usual : { ...usual, target: { kind: 'count' as const, perRound }, atSteps: undefined };
  return { taskId: library.indexOf(content) + 1, content, step: 2, chooseFrom: 1, chooseTo: 3, weekdays, dose };
};
const line = (tasks: ReturnType<typeof given>[], thing: string, home: string[] = []) =>
  kitOf({ child: { ...child, materialsAtHome: home }, tasks, from: monday, to: sunday }).find((each) => each.thing === thing);

describe('what a bag holds', () => {
  it('counts what lasts once, what is used up by each session, and less what the home has', () => {
    const crane = given('crane-lift', [1, 2, 3]);
    expect(line([crane], 'kitchen-tongs')).toMatchObject({ standing: 'pack', count: 1, kind: 'lasts' });
    expect(line([crane, { ...crane, taskId: 99 }], 'kitchen-tongs')).toMatchObject({ count: 1 });
    expect(line([crane], 'kitchen-tongs', ['kitchen-tongs'])).toMatchObject({ standing: 'atHome' });
    const planks = given('cut-the-planks', [1, 3, 5]);
    const card = planks.content.materials.find(({ id }) => id === 'card')!;
    expect(line([planks], 'card')).toMatchObject({ kind: 'usedUp', count: card.count * 3 });
    expect(line([planks], 'card')!.reasons).toMatchObject([{ each: card.count, sessions: 3 }]);
  });

  it('follows the child’s own dose where a piece is prepared for each repetition', () => {
    const usual = calculateDose(library.find(({ slug }) => slug === 'cut-the-planks')!.dose, 1).piecesPerDay;
    const more = given('cut-the-planks', [1, 2], 9);
    const pieces = calculateDose(doseAt(more.dose, 2), 1).piecesPerDay;
    expect(pieces).not.toBe(usual);
    const card = more.content.materials.find(({ count }) => count === usual)!;
    expect(line([more], card.id)).toMatchObject({ count: pieces * 2 });
  });

  it('has spares of what breaks, and what runs out by the sessions that it lasts for', () => {
    const bands = { ...given('open-the-shutters', [1]), chooseTo: 12 };
    const band = bands.content.materials.find(({ id }) => id === 'hair-band')!;
    expect(line([bands], 'hair-band')!.count).toBe(band.count + Math.max(1, Math.ceil(band.count * SPARE_SHARE)));
    const glue = given('tile-the-roof', [1, 2, 3, 4, 5, 6, 7]);
    expect(line([glue], 'glue-stick')!.count).toBe(1);
    const long = kitOf({ child, tasks: [glue], from: monday, to: addDays(monday, 90) }).find(({ thing }) => thing === 'glue-stick')!;
    expect(long.count).toBe(Math.ceil(91 / 40));
  });

  it('never holds the house itself, food, or what the home makes by a recipe', () => {
    for (const task of library) {
      const lines = kitOf({ child, tasks: [given(task.slug, [1])], from: monday, to: sunday });
      for (const each of lines.filter(({ standing }) => standing === 'pack')) {
        const material = task.materials.find(({ id }) => id === each.thing);
        if (material)
          expect([task.slug, each.thing, mayTravel(material), material.recipe]).toEqual([task.slug, each.thing, true, undefined]);
      }
    }
    expect(kindOfThing({ id: 'banana', hazards: ['food'] })).toBe('food');
  });

  it('no child gets a thing that its rules of safety refuse: a stand-in comes, or nothing', () => {
    let refused = 0;
    for (const task of library)
      for (const change of [{ mouthsThings: true, ageYears: 4 }, { scissorsAllowed: false }, { allergies: ['latex', 'wheat'] }]) {
        const strict = { ...child, ...change };
        const lines = kitOf({ child: strict, tasks: [given(task.slug, [1, 2])], from: monday, to: sunday });
        const not = lines.filter(({ standing }) => standing === 'refused');
        refused += not.length;
        for (const each of not) expect(lines.some((other) => other.thing === each.thing && other.standing === 'pack')).toBe(false);
        for (const each of lines.filter(({ instead }) => instead !== null)) expect(['pack', 'atHome']).toContain(each.standing);
        if (!strict.scissorsAllowed)
          expect(lines.some(({ thing, standing }) => thing === 'child-scissors' && standing === 'pack')).toBe(false);
      }
    expect(refused).toBeGreaterThan(5);
  });

  it('packs what only asks for a reason: a person has given it before the program went out', () => {
    let asked = 0;
    for (const task of library)
      for (const change of [{ mouthsThings: true, ageYears: 7 }, { ageYears: 3 }, { ageYears: 5, mouthsThings: true }]) {
        const strict = { ...child, ...change };
        const lines = kitOf({ child: strict, tasks: [given(task.slug, [1])], from: monday, to: sunday });
        for (const material of task.materials) {
          const things = thingsAt({ materials: [{ ...material, steps: undefined }] }, 1, 1);
          const { findings } = judgeSafety({ ages: task.ages, moveHazards: [], twins: [] }, things, strict);
          const severities = new Set(findings.map(({ severity }) => severity));
          if (severities.has('block') || !severities.has('acknowledge')) continue;
          asked += 1;
          expect(lines.filter(({ thing, standing }) => thing === material.id && standing === 'refused')).toEqual([]);
        }
      }
    expect(asked).toBeGreaterThan(5);
  });

  it('comes to the same by brute force, session by session, for random programs', () => {
    const chance = seededRandom(3);
    for (let run = 0; run < 60; run += 1) {
      const tasks = Array.from({ length: 3 }, () =>
        given(
          library[Math.floor(chance() * library.length)]!.slug,
          [1, 2, 3, 4, 5, 6, 7].filter(() => chance() < 0.5),
        ),
      );
      const home = library.flatMap(({ materials }) => materials.map(({ id }) => id)).filter(() => chance() < 0.3);
      const lines = kitOf({ child: { ...child, materialsAtHome: home }, tasks, from: monday, to: sunday });
      for (const { thing, kind, count, standing } of lines.filter((each) => each.standing === 'pack' && each.instead === null)) {
        let sum = 0;
        let most = 0;
        for (const day of daysFromTo(monday, sunday))
          for (const task of tasks.filter(({ weekdays }) => weekdays.includes(weekdayOf(day))))
            for (const material of task.content.materials.filter(({ id }) => id === thing)) {
              if ((material.steps?.from ?? 1) > task.chooseTo || (material.steps?.to ?? 12) < task.chooseFrom || material.optional)
                continue;
              const usual = calculateDose(task.content.dose, 1).piecesPerDay;
              const own = calculateDose(doseAt(task.dose, task.step), 1).piecesPerDay;
              const each = kind === 'usedUp' && usual > 0 && material.count === usual ? Math.max(1, own) : material.count;
              sum += each;
              most = Math.max(most, each);
            }
        if (kind === 'usedUp') expect([thing, count]).toEqual([thing, sum]);
        if (kind === 'lasts') expect([thing, count]).toEqual([thing, most]);
        expect(standing).toBe('pack');
      }
    }
  });
});

describe('rules of a bag, one by one, on a task made up for them', () => {
  const crane = library.find(({ slug }) => slug === 'crane-lift')!;
  type Made = Partial<(typeof crane.materials)[number]>;
  const thing = (made: Made) => ({
    ...crane.materials[0]!,
    optional: false,
    recipe: undefined,
    substitutes: [],
    steps: undefined,
    ...made,
  });
  const taskOf = (materials: Made[], weekdays = [1]) => ({
    ...given('crane-lift', weekdays),
    content: { ...crane, materials: materials.map(thing) },
  });
  const bagOf = (task: ReturnType<typeof taskOf>, change: Partial<typeof child> = {}) =>
    kitOf({ child: { ...child, ...change }, tasks: [task], from: monday, to: sunday });

  it('what is optional comes only where the home has it, and nothing for a task without a day', () => {
    const spare = { id: 'spare-thing', optional: true };
    expect(bagOf(taskOf([spare]))).toEqual([]);
    expect(bagOf(taskOf([spare]), { materialsAtHome: ['spare-thing'] })).toMatchObject([{ standing: 'atHome' }]);
    expect(bagOf(taskOf([{ id: 'spare-thing' }], []))).toEqual([]);
  });

  it('what is refused is refused at home, too; a stand-in is safe, and at home or one that may travel', () => {
    const other = (id: string, more: object = {}) => ({ id, en: id, levels: [], hazards: [], allergens: [], textures: [], ...more });
    const latex = { allergens: ['latex' as const] };
    const bands = {
      id: 'bands',
      hazards: [],
      ...latex,
      substitutes: [other('water'), other('gloves-thin', latex), other('ties'), other('clips')],
    };
    const standings = (home: string[] = []) =>
      bagOf(taskOf([bands]), { allergies: ['latex'], materialsAtHome: home }).map(({ thing: id, standing, instead }) =>
        [id, standing, ...(instead ? [`for ${instead.en}`] : [])].join(' '),
      );
    const forBands = `for ${thing(bands).name.en}`;
    expect(standings()).toEqual(['bands refused', `ties pack ${forBands}`]);
    expect(standings(['bands'])).toEqual(['bands refused', `ties pack ${forBands}`]);
    expect(standings(['clips'])).toEqual(['bands atHome']);
    expect(standings(['gloves-thin'])).toEqual(['bands refused', `ties pack ${forBands}`]);
    expect(standings(['gloves-thin', 'clips'])).toEqual(['bands refused', `clips atHome ${forBands}`]);
    // Nobody who may have bands has them refused.
    expect(bagOf(taskOf([bands]))).toMatchObject([{ thing: 'bands', standing: 'pack' }]);
  });

  it('is no shorter than one session asks, whatever one of a thing lasts for', () => {
    expect(bagOf(taskOf([{ id: 'marker', count: 3 }]))).toMatchObject([{ kind: 'runsOut', count: 3 }]);
  });

  it('keeps the task’s own count where the child’s dose counts no pieces', () => {
    const planks = given('cut-the-planks', [1]);
    const usual = calculateDose(planks.content.dose, 1).piecesPerDay;
    const timed = { ...planks, dose: { ...planks.dose, target: { kind: 'time' as const, minutesPerRound: 2 }, atSteps: undefined } };
    const card = planks.content.materials.find(({ count }) => count === usual)!;
    expect(kitOf({ child, tasks: [timed], from: monday, to: sunday }).find((each) => each.thing === card.id)!.count).toBe(usual);
  });

  it('food is never sent, and only what is packed is cut beforehand', () => {
    expect(mayTravel({ id: 'banana', hazards: ['food'] })).toBe(false);
    const paper = taskOf([{ id: 'paper', count: 4 }]);
    expect(preparedFor(bagOf(paper))).toHaveLength(1);
    expect(preparedFor(bagOf(paper, { materialsAtHome: ['paper'] }))).toEqual([]);
  });
});

describe('the shopping list', () => {
  it('is never short by one, and never a pack too many', () => {
    for (let needed = 0; needed <= 60; needed += 1)
      for (let has = 0; has <= 25; has += 5)
        for (const size of [1, 6, 20]) {
          const { short, packs } = purchaseOf(needed, has, size);
          expect(has + packs * size).toBeGreaterThanOrEqual(needed);
          if (packs > 0) expect(has + (packs - 1) * size).toBeLessThan(needed);
          expect(short).toBe(Math.max(0, needed - has));
        }
    expect(purchaseOf(15, 9, 20)).toEqual({ short: 6, packs: 1 });
    expect(() => purchaseOf(1, 0, 0)).toThrow('packSize');
  });

  it('lays square pieces on a sheet (ISO 216 and ANSI A sizes): 4 by 6 of 40 mm', () => {
    expect(tilesOnSheet(40, 'letter')).toBe(24);
    expect(tilesOnSheet(40, 'a4')).toBe(4 * 6);
    expect(sheetsFor('small-paper-tiles', 56, 40, 'letter')).toBe(3);
    expect(sheetsFor('small-paper-tiles', 0, 40)).toBe(0);
    expect(sheetsFor('kitchen-tongs', 3, 40)).toBeNull();
    // A piece larger than what a printer reaches takes a sheet of its own.
    expect(sheetsFor('paper-shapes', 2, 300)).toBe(2);
  });
});

it('what is cut beforehand has its minutes, and the helper’s day its setting up', () => {
  const tasks = [given('cut-the-planks', [1, 3])];
  const lines = kitOf({ child, tasks, from: monday, to: sunday });
  const [card] = preparedFor(lines).filter(({ thing }) => thing === 'card');
  expect(card!.minutes).toBe(Math.ceil((card!.count * 10) / 60));
  const { setUpMinutes, tidyUpMinutes } = doseAt(tasks[0]!.dose, 2);
  expect(setUpByDay(tasks, monday, sunday)).toEqual(
    [monday, addDays(monday, 2)].map((day) => ({ day, minutes: setUpMinutes + tidyUpMinutes })),
  );
});
