import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { TaskContent } from '@/core/tasks';
import { LANGUAGES, type Language } from '@/core/text';
import { composeTask, mechanicsSchema, thingsSchema, wordsSchema, type TaskParts, type Words } from './composeTask';

/** The stock tasks, put together from their parts, each checked against the schema. */
export function loadLibrary(folder = path.join(process.cwd(), 'library')): TaskContent[] {
  const read = (...place: string[]): unknown => JSON.parse(readFileSync(path.join(folder, ...place), 'utf8'));
  const things = thingsSchema.parse(read('things.json'));
  const common = read('common.json') as TaskParts['common'];
  const skins = namesIn(path.join(folder, 'skins')).map(
    (skin) => [skin, read('skins', `${skin}.json`) as Record<string, unknown>] as const,
  );
  return namesIn(path.join(folder, 'builders-yard')).map((slug) =>
    composeTask({
      slug,
      mechanics: mechanicsSchema.parse(read('builders-yard', `${slug}.json`)),
      words: Object.fromEntries(
        LANGUAGES.map((language) => [language, wordsSchema.parse(read('words', language, `${slug}.json`))]),
      ) as Record<Language, Words>,
      skins: Object.fromEntries(skins.flatMap(([skin, dresses]) => (dresses[slug] ? [[skin, dresses[slug]]] : []))),
      things,
      common,
    }),
  );
}

const namesIn = (folder: string) =>
  readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .map((name) => name.slice(0, -'.json'.length))
    .sort();
