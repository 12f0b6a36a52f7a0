import { z } from 'zod';
import { taskContentSchema, type TaskContent } from '@/core/tasks';
import { BASE_LANGUAGE, LANGUAGES, localTextSchemaOf, type Language, type LocalText } from '@/core/text';

/** A stock task stands in parts: its mechanics, its words by language, its skins, and the things that it names by id. Here they become one. */

const text = localTextSchemaOf(1);
const span = z.strictObject({ from: z.number(), to: z.number() });
const careFields = {
  shape: z.looseObject({ kind: z.string() }).optional(),
  hazards: z.array(z.string()).optional(),
  allergens: z.array(z.string()).optional(),
  textures: z.array(z.string()).optional(),
};

/** Every thing once: what it is called, one of it and many, what it is like, and what may stand for it and what that turns. */
export const thingsSchema = z.record(
  z.string(),
  z.strictObject({
    one: text,
    many: text,
    ...careFields,
    mayBe: z
      .record(
        z.string(),
        z.union([z.strictObject({ same: z.string() }), z.strictObject({ turns: z.record(z.string(), z.enum(['easier', 'harder'])) })]),
      )
      .optional(),
    recipe: z
      .strictObject({
        amounts: z.array(text),
        moves: z.array(text),
        grownUp: z.array(text).optional(),
        hazards: z.array(z.string()).optional(),
        keeps: text.optional(),
      })
      .optional(),
  }),
);
export type Things = z.infer<typeof thingsSchema>;

const substituteSchema = z.union([
  z.string(),
  z.strictObject({ thing: z.string(), levels: z.array(z.unknown()).optional(), times: z.number().optional() }),
]);

export const mechanicsSchema = z.strictObject({
  skill: z.string(),
  otherSkills: z.array(z.string()),
  part: z.string(),
  ages: z.strictObject({ fromYears: z.number(), toYears: z.number() }),
  family: z.string().optional(),
  shape: z.string().optional(),
  watchFor: z.array(z.string()).optional(),
  pictures: z.array(z.strictObject({ picture: z.string(), steps: span.optional() })).optional(),
  knobs: z.array(
    z.strictObject({ knob: z.string(), weight: z.number().optional(), levels: z.array(z.looseObject({ usual: z.string().optional() })) }),
  ),
  ladder: z.strictObject({
    startStep: z.number(),
    startReason: z.string().optional(),
    steps: z.array(
      z.strictObject({
        grade: z.record(z.string(), z.number()),
        manyKnobsReason: z.string().optional(),
        dose: z.looseObject({}).optional(),
        fadingFirst: z.number().optional(),
        sheet: z.looseObject({ kind: z.string() }).optional(),
      }),
    ),
  }),
  dose: z.looseObject({ setUpMovements: z.array(z.looseObject({})).optional() }),
  materials: z.array(
    z.strictObject({
      thing: z.string(),
      count: z.number(),
      optional: z.boolean().optional(),
      steps: span.optional(),
      sizeMm: z.number().optional(),
      ...careFields,
      looseParts: z.array(z.strictObject({ thing: z.string(), steps: span.optional() })).optional(),
      substitutes: z.array(substituteSchema).optional(),
    }),
  ),
  tableMap: z.array(z.strictObject({ place: z.string(), things: z.array(z.string()).optional() })),
  moveHazards: z.array(z.string()).optional(),
  settings: z.looseObject({}).optional(),
  twins: z.array(z.unknown()).optional(),
});
export type Mechanics = z.infer<typeof mechanicsSchema>;

const lines = z.array(z.string().min(1));
/** The words of a task in one language. A line may begin with the steps that it is said at: "2-5: Hold the cup still." */
export const wordsSchema = z.strictObject({
  title: z.string(),
  description: z.string(),
  story: z.string(),
  knobs: z.record(z.string(), z.union([lines, z.strictObject({ name: z.string(), levels: lines })])),
  steps: z.array(z.strictObject({ name: z.string(), how: z.string(), fading: z.string().optional() })),
  goodOne: z.string().optional(),
  setUp: lines.optional(),
  places: lines,
  helper: lines,
  child: lines,
  cues: lines,
  right: lines,
  cautions: lines,
  stop: z.string().optional(),
  why: z.string().optional(),
  stuck: z.string().optional(),
});
export type Words = z.infer<typeof wordsSchema>;

export interface TaskParts {
  readonly slug: string;
  readonly mechanics: Mechanics;
  /** English always; another language where somebody has written it. */
  readonly words: Readonly<Partial<Record<Language, Words>>> & { readonly en: Words };
  readonly skins: Readonly<Record<string, unknown>>;
  readonly things: Things;
  /** Sentences of every task that has none of its own. */
  readonly common: { readonly stop: LocalText; readonly why: Readonly<Partial<Record<string, LocalText>>> };
}

/** @throws Error that names the task and the place where its parts do not fit together */
export function composeTask({ slug, mechanics, words, skins, things, common }: TaskParts): TaskContent {
  const { knobs, ladder, dose, materials, tableMap, ...plain } = mechanics;
  const fault = (where: string): never => {
    throw new Error(`library/${slug}: ${where}`);
  };
  const spoken = LANGUAGES.flatMap((language) => (words[language] ? [[language, words[language]] as const] : []));
  /** The same words of each language that is there, where none may be left out. */
  const said = (where: string, pick: (of: Words) => string | undefined): LocalText => {
    const pairs = spoken.map(([language, of]) => [language, pick(of) ?? fault(`no ${where} in ${language}`)] as const);
    return Object.fromEntries(pairs) as unknown as LocalText;
  };
  const maybeSaid = (where: string, pick: (of: Words) => string | undefined) =>
    pick(words[BASE_LANGUAGE]) === undefined ? undefined : said(where, pick);
  const levelsIn = (of: Words, knob: string) => {
    const given = of.knobs[knob];
    return Array.isArray(given) ? given : given?.levels;
  };
  const listed = (list: 'helper' | 'child' | 'cues' | 'right' | 'cautions') =>
    words.en[list].map((_, index) => {
      const parts = spoken.map(
        ([language, of]) => [language, lineOf(of[list][index] ?? fault(`${list} ${index + 1} in ${language}`))] as const,
      );
      const spans = new Set(parts.map(([, { steps }]) => JSON.stringify(steps)));
      if (spans.size > 1 || spoken.some(([, of]) => of[list].length !== words.en[list].length)) fault(`${list}: not the same lines`);
      const steps = parts[0]![1].steps;
      return { ...Object.fromEntries(parts.map(([language, { line }]) => [language, line])), ...(steps && { steps }) };
    });
  const thing = (id: string) => things[id] ?? fault(`no thing "${id}" in things.json`);
  const careOf = (id: string) => {
    const { shape, hazards, allergens, textures } = thing(id);
    return { shape, hazards, allergens, textures };
  };
  const stopRule = maybeSaid('stop', (of) => of.stop) ?? common.stop;
  const composed = {
    slug,
    ...plain,
    title: said('title', ({ title }) => title),
    description: said('description', ({ description }) => description),
    story: said('story', ({ story }) => story),
    skins,
    knobs: knobs.map(({ knob, levels, ...rest }) => ({
      knob,
      ...rest,
      ...(knob.startsWith('own:') && { name: said(`name of ${knob}`, (of) => (of.knobs[knob] as { name?: string } | undefined)?.name) }),
      levels: levels.map((level, index) => ({ ...level, ...said(`level ${index + 1} of ${knob}`, (of) => levelsIn(of, knob)?.[index]) })),
    })),
    ladder: {
      ...ladder,
      steps: ladder.steps.map(({ fadingFirst, ...step }, index) => ({
        name: said(`name of step ${index + 1}`, ({ steps }) => steps[index]?.name),
        how: said(`step ${index + 1}`, ({ steps }) => steps[index]?.how),
        ...step,
        ...(fadingFirst && { fading: { first: fadingFirst, ...said(`fading of step ${index + 1}`, ({ steps }) => steps[index]?.fading) } }),
      })),
    },
    dose: {
      ...dose,
      goodOne: maybeSaid('goodOne', (of) => of.goodOne),
      setUpMovements: (dose.setUpMovements ?? []).map((move, index) => ({
        ...move,
        name: said(`move ${index + 1} of the set-up`, ({ setUp }) => setUp?.[index]),
      })),
    },
    materials: materials.map(({ thing: id, looseParts = [], substitutes = [], ...own }) => ({
      id,
      name: own.count === 1 ? thing(id).one : thing(id).many,
      ...careOf(id),
      ...own,
      recipe: thing(id).recipe,
      looseParts: looseParts.map((part) => ({ id: part.thing, name: thing(part.thing).many, ...careOf(part.thing), steps: part.steps })),
      substitutes: substitutes.map((given) => {
        const { thing: other, ...rest } = typeof given === 'string' ? { thing: given } : given;
        // A task's own levels come first.
        const turns = thing(id).mayBe?.[other] ?? fault(`things.json does not say what "${other}" turns where it stands for "${id}"`);
        return {
          id: other,
          ...(own.count === 1 ? thing(other).one : thing(other).many),
          ...careOf(other),
          ...(rest.levels || rest.times ? {} : turns),
          ...rest,
        };
      }),
    })),
    tableMap: tableMap.map((place, index) => ({ ...place, what: said(`place ${index + 1}`, ({ places }) => places[index]) })),
    helperSteps: listed('helper'),
    childSteps: listed('child'),
    cues: listed('cues'),
    looksRight: listed('right'),
    cautions: listed('cautions'),
    stopRule,
    why: maybeSaid('why', (of) => of.why) ?? common.why[mechanics.skill],
    stuck: maybeSaid('stuck', (of) => of.stuck),
  };
  const parsed = taskContentSchema.safeParse(composed);
  return parsed.success ? parsed.data : fault(parsed.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`).join('; '));
}

const LINE = /^(\d+)-(\d+): /;

function lineOf(given: string): { line: string; steps?: { from: number; to: number } } {
  const found = LINE.exec(given);
  return found ? { line: given.slice(found[0].length), steps: { from: Number(found[1]), to: Number(found[2]) } } : { line: given };
}
