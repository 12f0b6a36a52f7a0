import type { YardWish } from '@/core/yard';
import { writeCsv } from '@/formats/csv';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { viewYard, type YardView } from './viewYard';

/** The yard as it is looked at, as CSV. @param tableOf its rows in the desk's words */
export async function yardForFile(
  context: Context,
  actor: PersonActor,
  wish: YardWish,
  tableOf: (view: YardView) => { readonly headings: readonly string[]; readonly rows: readonly (readonly string[])[] },
): Promise<string> {
  const { headings, rows } = tableOf(await viewYard(context, actor, wish));
  return writeCsv(headings, rows);
}
