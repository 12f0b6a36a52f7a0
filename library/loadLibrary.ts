import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { shapeSlug, type ShapeId, type TaskContent } from '@/core/tasks';
import { LANGUAGES } from '@/core/text';
import { composeTask, mechanicsSchema, thingsSchema, wordsSchema, type TaskParts } from './composeTask';
import { lettersParts, shapeParts, type LettersWords, type ShapeWords } from './writingTemplates';

/** The stock tasks, put together from their parts, each checked against the schema. */
export function loadLibrary(folder = path.join(process.cwd(), 'library')): TaskContent[] {
  const read = (...place: string[]): unknown => JSON.parse(readFileSync(path.join(folder, ...place), 'utf8'));
  const isThere = (language: string, slug: string) => existsSync(path.join(folder, 'words', language, `${slug}.json`));
  const things = thingsSchema.parse(read('things.json'));
  const common = read('common.json') as TaskParts['common'];
  const skins = namesIn(path.join(folder, 'skins')).map(
    (skin) => [skin, read('skins', `${skin}.json`) as Record<string, unknown>] as const,
  );
  const shapes = Object.entries(read('shapes.json') as Record<ShapeId, ShapeWords>);
  const letters = Object.entries(read('letters.json') as Record<string, LettersWords>);
  const templated = [
    ...shapes.map(([shape, words]) => ({ slug: shapeSlug(shape as ShapeId), ...shapeParts(shape as ShapeId, words) })),
    ...letters.map(([slug, words]) => ({ slug, ...lettersParts(slug, words) })),
  ].map((parts) => composeTask({ ...parts, things, common }));
  const written = namesIn(path.join(folder, 'builders-yard')).map((slug) =>
    composeTask({
      slug,
      mechanics: mechanicsSchema.parse(read('builders-yard', `${slug}.json`)),
      words: Object.fromEntries(
        LANGUAGES.flatMap((language) =>
          isThere(language, slug) ? [[language, wordsSchema.parse(read('words', language, `${slug}.json`))]] : [],
        ),
      ) as TaskParts['words'],
      skins: Object.fromEntries(skins.flatMap(([skin, dresses]) => (dresses[slug] ? [[skin, dresses[slug]]] : []))),
      things,
      common,
    }),
  );
  return [...written, ...templated].sort((a, b) => (a.slug < b.slug ? -1 : 1));
}

const namesIn = (folder: string) =>
  readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .map((name) => name.slice(0, -'.json'.length))
    .sort();
