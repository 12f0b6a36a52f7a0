import { writeCsv } from '@/formats/csv';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { viewProgress, type ProgressView } from './viewProgress';

/** Writes the verdicts of all goals, as CSV. @param tableOf its rows in the desk's words. @throws AppError notAllowed */
export async function progressForFile(
  context: Context,
  actor: PersonActor,
  tableOf: (view: ProgressView) => { readonly headings: readonly string[]; readonly rows: readonly (readonly string[])[] },
): Promise<string> {
  const { headings, rows } = tableOf(await viewProgress(context, actor, null));
  return writeCsv(headings, rows);
}
