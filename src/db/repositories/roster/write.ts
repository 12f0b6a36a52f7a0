import { tablesOf, type Work } from '../../work';

/** Keeps what headings were matched to, for the next list; a heading matched anew forgets what it was. */
export async function keepRosterColumns(work: Work, personId: number, matched: ReadonlyMap<string, string>): Promise<void> {
  const tables = tablesOf(work);
  for (const [heading, fact] of matched) {
    await tables.remove('roster_columns', { person_id: personId, heading });
    await tables.insert('roster_columns', { person_id: personId, heading, fact });
  }
}
