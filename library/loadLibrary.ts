import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { taskContentSchema, type TaskContent } from '@/core/tasks';

/** The stock tasks, read from their files, each checked against the schema. */
export function loadLibrary(folder = path.join(process.cwd(), 'library', 'builders-yard')): TaskContent[] {
  return readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .sort()
    .map((name) => taskContentSchema.parse(JSON.parse(readFileSync(path.join(folder, name), 'utf8'))));
}
