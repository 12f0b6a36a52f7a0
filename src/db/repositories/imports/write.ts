import { tablesOf, type Work } from '../../work';
import type { ListKind } from './read';

/** Keeps what headings were matched to, for the next list; a heading matched anew forgets what it was. */
export async function saveListColumns(work: Work, personId: number, list: ListKind, matched: ReadonlyMap<string, string>): Promise<void> {
  const tables = tablesOf(work);
  for (const [heading, fact] of matched) {
    await tables.remove('list_columns', { person_id: personId, list, heading });
    await tables.insert('list_columns', { person_id: personId, list, heading, fact });
  }
}
