import { z } from 'zod';
import { childrenOf, inTransaction } from '@/db';
import { OPEN_TABLE_NAMES, OPEN_TABLES, writeDictionary, writeOpenCsv } from '@/formats';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { may } from '../may';
import { parseInput } from '../parseInput';
import { requireConfirmed } from '../accounts/sessions';
import { openPage } from './openRows';

const optionsSchema = z.object({
  table: z.enum(OPEN_TABLE_NAMES as [(typeof OPEN_TABLE_NAMES)[number], ...(typeof OPEN_TABLE_NAMES)[number][]]),
});

/** A table of the children whom the actor leads, as CSV. @throws AppError confirmNeeded, invalid */
export async function tableForFile(
  context: Context,
  actor: PersonActor,
  raw: unknown,
): Promise<{ readonly name: string; readonly text: string }> {
  const { table } = parseInput(optionsSchema, raw);
  requireConfirmed(context, actor);
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const own = (await childrenOf(work, actor.personId)).filter(({ access }) => may(actor, access, 'leadChild'));
    const childIds = own.map(({ child }) => child.id);
    const { rows } = await openPage(work, table, { childIds, after: 0, most: Number.MAX_SAFE_INTEGER });
    await recordChanges(work, now, [entryOf(actor, now, childIds, 'data.exported', { table, rows: rows.length })]);
    return { name: table, text: writeOpenCsv(OPEN_TABLES[table], rows) };
  });
}

/** Returns the meaning of every column of these tables, as CSV. */
export function dictionaryForFile(): { readonly name: string; readonly text: string } {
  return { name: 'dictionary', text: writeDictionary() };
}
