import { AccessLog } from './audit/trail';
import type { Context, ContextParts } from './context';
import { acceptLinkReports } from './reports/acceptLinkReports';
import { IntakeQueue } from './reports/intakeQueue';
import { Tries } from './videos/rateLimit';
import { KnownLinks } from './reports/knownLinks';

/** Puts a context together: one per process, or per test bed. */
export function createContext(parts: ContextParts): Context {
  const context: Context = {
    ...parts,
    looks: new AccessLog(parts.db, parts.now),
    intake: new IntakeQueue((batch) => acceptLinkReports(context, batch)),
    knownLinks: new KnownLinks(parts.db),
    clipTries: new Tries(),
  };
  return context;
}
