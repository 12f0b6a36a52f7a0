import { auditChain, inTransaction, openDatabase, type ChainFault } from '@/db';
import { say } from '../say';
import { placeOf } from './backup';

const FAULTS: { readonly [Kind in ChainFault['kind']]: (fault: Extract<ChainFault, { kind: Kind }>) => string } = {
  changed: ({ id }) => `Row ${id} does not match the entry before it. It was changed, or an entry before it was removed or added.`,
  children: ({ id }) => `The children that row ${id} is about are others than it was written for.`,
  end: ({ expected, found }) => `There should be ${expected} rows, and ${found} exist. The last ones were removed.`,
};

/** Whether anybody changed the list of looks and changes. `audit verify [--config FILE | --data FOLDER]` */
export async function audit(words: readonly string[]): Promise<number> {
  if (words[0] !== 'verify') throw new Error('Write ./yard audit verify.');
  const { databaseUrl, close } = await placeOf(words);
  const db = openDatabase(databaseUrl, { max: 1 });
  try {
    const { rows, unchained, dropped, fault } = await inTransaction(db, auditChain);
    say(
      `${rows} entries are complete and unchanged. ${dropped} older ones were deleted by age, and ${unchained} are older than this check.`,
    );
    if (fault) say(FAULTS[fault.kind](fault as never));
    return fault ? 1 : 0;
  } finally {
    await db.close();
    await close();
  }
}
