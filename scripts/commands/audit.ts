import { auditChain, inTransaction, openDatabase, type ChainFault } from '@/db';
import { say } from '../say';
import { placeOf } from './backup';

const FAULTS: { readonly [Kind in ChainFault['kind']]: (fault: Extract<ChainFault, { kind: Kind }>) => string } = {
  changed: ({ id }) => `Row ${id} does not follow from what stands before it: it was changed, or a row before it was taken out or put in.`,
  children: ({ id }) => `The children that row ${id} is about are others than it was written for.`,
  end: ({ expected, found }) => `There should be ${expected} rows, and ${found} are there: the last ones were taken out.`,
};

/** Whether anybody changed the list of looks and changes. `audit verify [--config FILE | --data FOLDER]` */
export async function audit(words: readonly string[]): Promise<number> {
  if (words[0] !== 'verify') throw new Error('Write ./yard audit verify.');
  const { databaseUrl, close } = await placeOf(words);
  const db = openDatabase(databaseUrl, { max: 1 });
  try {
    const { rows, unchained, dropped, fault } = await inTransaction(db, auditChain);
    say(
      `${rows} rows follow from each other; ${dropped} older ones were taken away as old; ${unchained} are from before there was a chain.`,
    );
    if (fault) say(FAULTS[fault.kind](fault as never));
    return fault ? 1 : 0;
  } finally {
    await db.close();
    await close();
  }
}
