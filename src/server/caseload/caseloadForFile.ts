import type { CaseloadQuery } from '@/core/caseload';
import { writeCsv } from '@/formats/csv';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { viewCaseload, type CaseloadView } from './viewCaseload';

/** The yard as it is looked at, as CSV. @param tableOf its rows in the desk's words */
export async function caseloadForFile(
  context: Context,
  actor: PersonActor,
  options: CaseloadQuery,
  tableOf: (view: CaseloadView) => { readonly headings: readonly string[]; readonly rows: readonly (readonly string[])[] },
): Promise<string> {
  const { headings, rows } = tableOf(await viewCaseload(context, actor, options));
  return writeCsv(headings, rows);
}
