import { tablesOf, type Work } from '../../work';

/** A way of looking at the yard, kept by a name. */
export interface KeptView {
  readonly id: number;
  readonly name: string;
  /** Query string of its address. */
  readonly address: string;
}

export async function keptViewsOf(work: Work, personId: number): Promise<KeptView[]> {
  return tablesOf(work).select('SELECT id, name, address FROM yard_views WHERE person_id = :personId ORDER BY name', { personId });
}

/** The same name again is another way of looking under that name. */
export async function saveView(work: Work, personId: number, name: string, address: string): Promise<void> {
  const tables = tablesOf(work);
  await tables.remove('yard_views', { person_id: personId, name });
  await tables.insert('yard_views', { person_id: personId, name, address });
}

export async function deleteView(work: Work, personId: number, id: number): Promise<boolean> {
  return (await tablesOf(work).remove('yard_views', { person_id: personId, id })) > 0;
}
