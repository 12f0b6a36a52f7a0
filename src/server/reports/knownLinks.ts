import { inTransaction, linkByHash, type Database } from '@/db';
import { hashOf, TOKEN_FORM } from '../secrets';

/** Some hundred bytes each: the families of several districts. */
const MOST = 20_000;

/** Which links were ever made: asked before a body is read, so that nobody without one makes us read it. Closed ones count: their families are told. */
export class KnownLinks {
  private readonly known = new Set<string>();

  constructor(private readonly db: Database) {}

  async has(token: string): Promise<boolean> {
    if (!TOKEN_FORM.test(token)) return false;
    const hash = hashOf(token);
    if (this.known.has(hash)) return true;
    const link = await inTransaction(this.db, (work) => linkByHash(work, hash));
    if (!link) return false;
    if (this.known.size >= MOST) this.known.clear();
    this.known.add(hash);
    return true;
  }
}
