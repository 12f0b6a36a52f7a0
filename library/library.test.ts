import { checkLadder } from '@/core/ladder';
import { demandOf, measuresAt } from '@/core/knobs';
import { minutesOf, calculateDose } from '@/core/dose';
import { checkTask, thingsOf, leadsTo } from '@/core/library';
import { MOST_MINUTES } from '@/core/library/checkTask';
import { hasTrait, smallPartVerdict } from '@/core/safety';
import {
  applySettings,
  dressedIn,
  filledStep,
  isNeededAt,
  linesAt,
  SETTING_CHOICES,
  SHAPE_ORDERS,
  type SettingId,
  type TaskContent,
} from '@/core/tasks';
import { SKINS, SKILLS } from '@/core/vocabulary';
import { familyTextOf, MOST_GRADE, readingGrade } from '@/core/wording';
import { isDeep } from '../tests/fixtures/deep';
import { loadLibrary } from './loadLibrary';

const tasks = loadLibrary();
const bySlug = new Map(tasks.map((task) => [task.slug, task]));

describe('the stock library as a whole', () => {
  it('covers every skill with a task of its own, or as part of one; the table is printed', () => {
    const counts = SKILLS.map((skill) => ({
      skill,
      main: tasks.filter((task) => task.skill === skill).length,
      also: tasks.filter((task) => task.otherSkills.includes(skill)).length,
    }));
    const table = counts.map(({ skill, main, also }) => `${skill.padEnd(26)} ${String(main).padStart(3)} ${String(also).padStart(5)}`);
    process.stdout.write(`\n${'skill'.padEnd(26)} main  also\n${table.join('\n')}\n${tasks.length} tasks\n`);
    // domain.md names the skills; four of each is our own aim.
    expect(counts.filter(({ main }) => main < 4)).toEqual([]);
    expect(tasks.length).toBeGreaterThanOrEqual(120);
  });

  it('serves ages 3 to 10, each with twenty tasks at least', () => {
    for (let age = 3; age <= 10; age += 1)
      expect([age, tasks.filter(({ ages }) => ages.fromYears <= age && age <= ages.toYears).length >= 20]).toEqual([age, true]);
  });

  it('describes every task in plain words of its own, in both languages, as a short line', () => {
    const described = tasks.map(({ slug, title, description }) => ({ slug, title, en: description?.en ?? '', es: description?.es ?? '' }));
    const isLine = (text: string) => /^\p{Lu}[^.!?]*[^.!?\s]$/u.test(text) && text.length <= 60;
    expect(described.filter(({ en, es, title }) => !isLine(en) || !isLine(es) || en === title.en)).toEqual([]);
    expect(new Set(described.map(({ en }) => en)).size).toBe(tasks.length);
    expect(new Set(described.map(({ es }) => es)).size).toBe(tasks.length);
  });

  it('says of every substitute what it turns, or why nothing', () => {
    const silent = tasks.flatMap((task) =>
      task.materials.flatMap(({ id, substitutes }) =>
        substitutes
          .filter(({ levels, times, turns, same }) => levels.length === 0 && times === undefined && !turns && !same)
          .map((substitute) => `${task.slug}: ${substitute.id} for ${id}`),
      ),
    );
    expect(silent).toEqual([]);
  });

  it('never says both: that a substitute turns a level, and that it turns nothing', () => {
    const both = tasks.flatMap(({ slug, materials }) =>
      materials.flatMap(({ substitutes }) =>
        substitutes.filter(({ levels, same }) => same && levels.length > 0).map(({ id }) => `${slug}: ${id}`),
      ),
    );
    expect(both).toEqual([]);
  });

  it('names its twins truly: each exists, and lacks what it stands in for', () => {
    for (const { slug, twins } of tasks) {
      for (const twin of twins) {
        const other = bySlug.get(twin.slug);
        expect([slug, twin.slug, Boolean(other)]).toEqual([slug, twin.slug, true]);
        if (twin.instead === 'scissors' || twin.instead === 'food')
          expect([slug, twin.slug, hasTrait(other!, twin.instead)]).toEqual([slug, twin.slug, false]);
      }
    }
  });

  it('has a way without scissors for each task with them, and without food', () => {
    const needy = tasks.filter((task) =>
      (['scissors', 'food'] as const).some((trait) => hasTrait(task, trait) && !task.twins.some((twin) => twin.instead === trait)),
    );
    expect(needy.map((task) => task.slug)).toEqual([]);
  });

  it('calls a thing of one id by one size', () => {
    const sizes = new Map<string, string>();
    const things = thingsOf(tasks);
    for (const { id, shape } of things) if (shape) sizes.set(id, smallPartVerdict(shape).fits ? 'small' : 'big');
    for (const material of tasks.flatMap((task) => task.materials)) {
      if (material.shape)
        expect([material.id, smallPartVerdict(material.shape).fits ? 'small' : 'big']).toEqual([material.id, sizes.get(material.id)]);
    }
  });

  it('mentions no thing by a level that the task has not among its materials', () => {
    for (const task of tasks) {
      const ids = task.materials.map((material) => material.id);
      for (const need of task.knobs.flatMap((knob) => knob.levels.flatMap((level) => level.needs ?? []))) expect(ids).toContain(need);
    }
  });
});

/** Every choice of every setting that a task knows. */
const choicesOf = (task: TaskContent) =>
  (Object.keys(task.settings) as SettingId[]).flatMap((id) =>
    SETTING_CHOICES[id].map((choice) => ({ [id]: choice, ...(choice === 'free' && { freeShapes: [...SHAPE_ORDERS.circleFirst] }) })),
  );

const LISTS = ['helperSteps', 'childSteps', 'cues', 'looksRight', 'cautions'] as const;
/** Words of a thing's name that name no thing: sizes, kinds, what stands in every house. */
const NO_NAMES = new Set(
  'paper small large with hand your child short long wide thin thick soft sheet piece pieces table each plastic round stiff card color'.split(
    ' ',
  ),
);
const namesIn = (text: string) =>
  text
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter((word) => word.length > 3 && !NO_NAMES.has(word));
const stem = (word: string) => word.slice(0, 4);
/** Tells which of the task's things is the safer one: it stands at the steps with the others. */
const SAFER_THINGS = 'If {child} puts things in the mouth, use the big card discs only.';

describe.each(tasks.map((task) => [task.slug, task] as const))('%s', (_slug, task) => {
  it('passes every check with no error, and has everything that a finished task has', () => {
    expect(checkTask(task).filter((finding) => finding.severity !== 'note')).toEqual([]);
    expect(task.ladder.steps.length).toBeGreaterThanOrEqual(5);
    expect(task.ladder.steps.length).toBeLessThanOrEqual(12);
    expect(task.cues.length).toBeGreaterThanOrEqual(1);
    expect(task.story).toBeDefined();
    expect(SKINS.slice(1).every((skin) => task.skins[skin])).toBe(true);
    expect(task.materials.every((material) => material.shape)).toBe(true);
    expect(task.ages.fromYears).toBeGreaterThanOrEqual(3);
    expect(task.ages.toYears).toBeLessThanOrEqual(10);
  });

  it('turns one knob a step, at least three over all, and grows in demand', () => {
    expect(checkLadder(task.knobs, task.ladder).filter((finding) => finding.code === 'manyKnobs')).toEqual([]);
    const turned = task.knobs.filter(({ knob }) => new Set(task.ladder.steps.map((step) => step.grade[knob])).size > 1);
    expect(turned.length).toBeGreaterThanOrEqual(3);
    const demands = task.ladder.steps.map((step) => demandOf(task.knobs, step.grade));
    expect(demands).toEqual([...new Set(demands)].sort((a, b) => a - b));
  });

  it('calls each kind of help that reports can name by that name, so that its rules hold', () => {
    const unnamed = task.knobs
      .filter(({ knob }) => knob === 'help')
      .flatMap(({ levels }) =>
        levels.filter(({ en, usual }) => /words|alone|shown|point|full physical (hand over hand)/.test(en) && !usual).map(({ en }) => en),
      );
    expect(unnamed).toEqual([]);
  });

  it('fits into a family evening and has arithmetic that adds up', () => {
    expect(minutesOf(task.dose)).toBeLessThanOrEqual(MOST_MINUTES);
    expect(calculateDose(task.dose, 5).perWeek).toBe(calculateDose(task.dose, 1).perDay * 5);
  });

  it('speaks at no step of a thing that other steps alone need', () => {
    const spoken = task.ladder.steps.flatMap((step, index) => {
      const isHere = (material: TaskContent['materials'][number]) => isNeededAt(material, index + 1);
      const here = task.materials
        .filter(isHere)
        .flatMap(({ name, substitutes }) => [name, ...substitutes].flatMap(({ en }) => namesIn(en)));
      const elsewhere = task.materials.flatMap((material) => (isHere(material) ? [] : namesIn(material.name.en))).map(stem);
      const lines = LISTS.flatMap((list) => linesAt(task, list, index + 1));
      return [filledStep(task, step).how, ...lines]
        .filter(({ en }) => namesIn(en).some((word) => elsewhere.includes(stem(word)) && !here.map(stem).includes(stem(word))))
        .map(({ en }) => en)
        .filter((en) => en !== SAFER_THINGS);
    });
    expect(spoken).toEqual([]);
  });

  it('is read at grade 6 or below in both languages, in every skin', () => {
    for (const skin of SKINS) {
      const dressed = dressedIn(task, skin);
      for (const language of ['en', 'es'] as const)
        expect(readingGrade(familyTextOf(dressed, language), language)).toBeLessThanOrEqual(MOST_GRADE);
    }
  });

  it('says it in both languages, in other words', () => {
    const pairs = [
      task.title,
      ...task.helperSteps,
      ...task.childSteps,
      ...task.looksRight,
      ...task.cautions,
      ...task.ladder.steps.map((step) => step.how),
    ];
    expect(pairs.filter((text) => text.en === text.es)).toEqual([]);
    expect(pairs.filter((text) => !/([.!?…”»"]|\{(?:mark|coat)\})$/.test(text.en) && text !== task.title)).toEqual([]);
  });

  it('stays sound and plain under every choice of the settings that it knows', () => {
    for (const settings of choicesOf(task)) {
      const settled = applySettings(task, settings);
      expect([settings, checkLadder(settled.knobs, settled.ladder).filter((finding) => finding.severity === 'error')]).toEqual([
        settings,
        [],
      ]);
      expect(JSON.stringify(settled.ladder)).not.toMatch(/\{(shape|mark|marking)\}/);
      for (const language of ['en', 'es'] as const)
        expect([settings, language, readingGrade(familyTextOf(settled, language), language)! <= MOST_GRADE]).toEqual([
          settings,
          language,
          true,
        ]);
    }
  });
});

/** Tells a word's part of speech; its own types do not compile. */
type Reader = (text: string) => { has: (tag: string) => boolean };
const english = jest.requireActual<Reader>('compromise');
const spanish = jest.requireActual<Reader>('es-compromise');

/** Imperatives that the reader of words takes for things. */
const VERBS_TAKEN_FOR_NOUNS = {
  en: /^(?:fold|walk|squeeze|lace|flick|the thumb .* taps)\b/i,
  es: /\b(?:pinchar|raya, dobla, grapa|den)\b/i,
};

describe('clinical rules over the whole library (common practice, no source)', () => {
  const wordsOf = (task: TaskContent, language: 'en' | 'es') => familyTextOf(task, language).toLowerCase();

  it('undoing comes before doing, wherever something is fastened or put on', () => {
    const first = (slug: string) => bySlug.get(slug)!.ladder.steps[0]!.name.en;
    expect(
      [
        'work-vest-zip',
        'vest-buttons',
        'snap-the-pockets',
        'boot-laces',
        'tie-the-tool-roll',
        'rope-work',
        'coat-on-hood-first',
        'gloves-and-boots',
        'work-socks',
        'work-pants',
        'lid-works',
        'bolt-and-nut',
      ].map(first),
    ).toEqual(expect.not.arrayContaining([expect.not.stringMatching(/undo|open|off|down/)]));
  });

  it('every task with scissors says how left-handers cut, and to sit', () => {
    const cutting = tasks.filter((task) => hasTrait(task, 'scissors'));
    expect(cutting.length).toBeGreaterThanOrEqual(5);
    for (const task of cutting) {
      expect([task.slug, /left-handed scissors/.test(wordsOf(task, 'en')), /tijeras para zurdos/.test(wordsOf(task, 'es'))]).toEqual([
        task.slug,
        true,
        true,
      ]);
      expect([task.slug, /\bsit/.test(wordsOf(task, 'en'))]).toEqual([task.slug, true]);
      expect([task.slug, task.watchFor?.includes('thumbUp')]).toEqual([task.slug, true]);
    }
  });

  it('a task for hand preference tallies, asks for no number, and names no side', () => {
    for (const task of tasks.filter(({ skill }) => skill === 'handPreference')) {
      expect([task.slug, task.dose.target.kind]).toEqual([task.slug, 'watch']);
      expect([task.slug, /\b(?:right|left) hand\b/.test(wordsOf(task, 'en'))]).toEqual([task.slug, false]);
    }
  });

  it('no setting takes a whole ladder: four steps stay with every choice, each still harder', () => {
    for (const task of tasks)
      for (const settings of choicesOf(task)) {
        const { knobs, ladder } = applySettings(task, settings);
        const demands = ladder.steps.map((step) => demandOf(knobs, step.grade));
        expect([task.slug, settings, ladder.steps.length >= 4, demands]).toEqual([
          task.slug,
          settings,
          true,
          [...new Set(demands)].sort((a, b) => a - b),
        ]);
      }
  });

  it('what could cut, close over a face or go around a neck has its hazard, and its words', () => {
    const brings = ({ materials, moveHazards }: TaskContent) => new Set([...moveHazards, ...materials.flatMap(({ hazards }) => hazards)]);
    for (const task of tasks) {
      const said = wordsOf(task, 'en');
      const has = brings(task);
      for (const [words, hazard] of [
        [/\bscissors\b/, 'blade'],
        [/\bknife\b/, 'knife'],
        [/\bzip bag\b|\bbubble wrap\b/, 'bag'],
      ] as const)
        if (words.test(said)) expect([task.slug, hazard, has.has(hazard)]).toEqual([task.slug, hazard, true]);
      if (has.has('knife')) expect([task.slug, /child scissors/.test(said)]).toEqual([task.slug, false]);
    }
  });

  (isDeep ? it : it.skip)('a step says what is done, with a verb; a fragment is no instruction', () => {
    const read = { en: english, es: spanish };
    const fragments = tasks.flatMap(({ slug, ladder }) =>
      ladder.steps.flatMap(({ how }, index) =>
        (['en', 'es'] as const).flatMap((language) => {
          const said = how[language]!.replaceAll('{child}', 'Maria').replaceAll('{mark}', '');
          return read[language](said).has('#Verb') || VERBS_TAKEN_FOR_NOUNS[language].test(said) ? [] : `${slug}, ${index + 1}: ${said}`;
        }),
      ),
    );
    expect(fragments).toEqual([]);
    expect(read.en('Tall boxes for tall letters.').has('#Verb')).toBe(false);
    expect(read.es('Cuadros altos para letras altas.').has('#Verb')).toBe(false);
  });

  it('the words of the review stay out: one word for one thing, as its reader says it', () => {
    const BANNED = {
      en: /\b(?:lorry|clothes pegs?|hair bands?|bubble film|paper tape|shaving foam|zip pull|the till|till keys|parcels?|colour\w*|neighbour\w*|stalls?|swap hands|draw round|by heart|barrow|plough|shoe lace|finger tips?|\d+ ?mm)\b/i,
      es: /\b(?:ganchos? de ropa|pegatinas?|suelos?|gomas?|medias|popotes?(?! \()|añad\w+|coger|guisante|fin[oa]s?|estrech[oa]s?|romp\w+ papel)\b/i,
    };
    const hits = tasks.flatMap((task) =>
      SKINS.flatMap((skin) => {
        const dressed = dressedIn(task, skin);
        return (['en', 'es'] as const).flatMap((language) => {
          const said = [dressed.title, ...(dressed.story ? [dressed.story] : []), ...dressed.knobs.flatMap(({ levels }) => levels)]
            .map((text) => text[language] ?? '')
            .concat(familyTextOf(dressed, language));
          const hit = said.join('\n').match(BANNED[language])?.[0];
          return hit ? [`${task.slug} ${language}: ${hit}`] : [];
        });
      }),
    );
    expect([...new Set(hits)]).toEqual([]);
  });

  it('the adult is never told the child’s part without a doer, nor the child’s gender', () => {
    const gendered =
      /\b(?:his|her|hers|himself|herself|he|she)\b|\bsu hij[oa]\b|\bel niño\b|\bla niña\b|\bsentad[oa]s?\b|(?<!hoja |ranura )\bacostad[oa]s?\b|\bdescalz[oa]s?\b/i;
    // A sentence that begins with such a word speaks of the child: "Quieto. Abre."; levels and steps are named to families, too.
    const told =
      /(?:^|[.:,] |[¡¿])(?:quiet|list(?!as? de)|cansad|tranquil|doblad|agachad|arrodillad|inclinad|parad)[oa]s?\b|\by (?:doblad|agachad)[oa]\b/i;
    const named = (task: TaskContent, language: 'en' | 'es') => [
      ...task.ladder.steps.map(({ name }) => name[language] ?? ''),
      ...task.knobs.flatMap(({ levels }) => levels.map((level) => level[language] ?? '')),
    ];
    const hits = tasks.flatMap((task) =>
      (['en', 'es'] as const)
        .flatMap((language) => [wordsOf(task, language), ...named(task, language)])
        .flatMap((text) => [...(text.match(gendered) ?? []), ...(text.match(told) ?? [])])
        .map((hit) => `${task.slug}: ${hit}`),
    );
    expect(hits).toEqual([]);
  });

  it('what a task leads to stands in the library, is another task, and never leads back', () => {
    const leading = tasks.filter(({ slug }) => leadsTo(slug).length > 0);
    expect(leading.length).toBeGreaterThanOrEqual(9);
    for (const { slug } of leading) {
      for (const lead of leadsTo(slug)) {
        expect([lead.slug, bySlug.has(lead.slug)]).toEqual([lead.slug, true]);
        expect([lead.slug, leadsTo(lead.slug).map((next) => next.slug)]).toEqual([lead.slug, expect.not.arrayContaining([slug])]);
      }
    }
  });

  it('steps of a week: a family of variations is named, so that no two go out unsaid', () => {
    const families = tasks.filter(({ family }) => family !== undefined);
    expect(families.length).toBeGreaterThanOrEqual(60);
    for (const family of new Set(families.map((task) => task.family)))
      expect([family, tasks.filter((task) => task.family === family).length >= 2]).toEqual([family, true]);
  });

  it('what is dangerous in making a thing is said to be done by a grown-up', () => {
    const made = tasks.flatMap(({ slug, materials }) => materials.flatMap(({ id, recipe }) => (recipe ? [{ slug, id, recipe }] : [])));
    expect(made.length).toBeGreaterThanOrEqual(13);
    const unsaid = made.filter(({ recipe }) => recipe.hazards.length > 0 && recipe.grownUp.length === 0);
    expect(unsaid.map(({ slug, id }) => `${slug}: ${id}`)).toEqual([]);
  });

  it('what must not be swallowed is not told as food, in any dress', () => {
    const notToEat = ['smallPart', 'foam', 'soap', 'paint', 'glue', 'bag'] as const;
    const food =
      /\b(?:jam|cream|whipped|sauce|plums?|berr(?:y|ies)|candy|candies|cookies?|buns?|loaf|bread|cake|sesame|crema|mermelada|salsa|ciruelas?|dulces?|galletas?|pan|panecitos?)\b/i;
    const told = tasks
      .filter(({ materials }) => materials.some(({ hazards }) => notToEat.some((hazard) => hazards.includes(hazard))))
      .flatMap((task) =>
        SKINS.flatMap((skin) => {
          const { title, story } = dressedIn(task, skin);
          return [title, story]
            .flatMap((text) => [text?.en, text?.es])
            .filter((text) => food.test(text ?? ''))
            .map((text) => `${task.slug}: ${text}`);
        }),
      );
    expect(told).toEqual([]);
  });

  it('a path to cut is as long as what it goes around', () => {
    const lengthsOf = (slug: string) => {
      const { knobs, ladder } = bySlug.get(slug)!;
      return ladder.steps.map(({ grade }) => measuresAt(knobs, grade).pathLengthMm);
    };
    // Circles of 120, 80 and 50 mm: 3.14 times as long around as across.
    const [wide, middle, small] = [120, 80, 50].map((across) => Math.round(Math.PI * across));
    expect(lengthsOf('wheel')).toEqual([wide, wide, middle, middle, middle, small]);
    expect(lengthsOf('cut-the-planks')).toEqual([25, 60, 60, 150, 150, 150, 150]);
  });

  it('a force task has a step that can drip, dent, rip or spill', () => {
    const force = tasks.filter(({ skill }) => skill === 'forceModulation');
    expect(force.length).toBeGreaterThanOrEqual(4);
    const canGoWrong = /drip|dent|rip|tear|spill|hole|squash|crack|blot|flood|pop|shows?\b/;
    expect(force.filter((task) => !canGoWrong.test(wordsOf(task, 'en'))).map(({ slug }) => slug)).toEqual([]);
  });
});
