import type { TaskContent } from '../tasks';
import { contentFor } from './contentFor';
import type { TaskChoices } from './programDraft';

/** A content's derived forms live as long as its reader keeps the content in memory. */
const GIVEN = new WeakMap<TaskContent, Map<string, TaskContent>>();
const MOST_OF_ONE = 200;

/**
 * The task as a child is given it by a frozen version: `contentFor` with the choices that were frozen, reckoned once for
 * each content and choice. The same arguments give the very same object.
 */
export function givenTask(content: TaskContent, choices: TaskChoices): TaskContent {
  const known = GIVEN.get(content) ?? new Map<string, TaskContent>();
  GIVEN.set(content, known);
  const key = JSON.stringify(choices);
  const given = known.get(key) ?? contentFor(content, choices);
  if (known.size >= MOST_OF_ONE) known.clear();
  known.set(key, given);
  return given;
}
