import type { CalendarDay } from '@/core/calendar';
import { writeCsv } from '@/formats/csv';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { viewKits, type KitsView } from './viewKits';

/** The bags of a school as CSV. @param tableOf their lines in the desk's words */
export async function kitsForFile(
  context: Context,
  actor: PersonActor,
  school: string,
  week: CalendarDay | null,
  tableOf: (view: KitsView) => { readonly headings: readonly string[]; readonly rows: readonly (readonly string[])[] },
): Promise<string> {
  const { headings, rows } = tableOf(await viewKits(context, actor, school, week));
  return writeCsv(headings, rows);
}
