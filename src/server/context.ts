import type { Random } from '@/core/random';
import type { Database } from '@/db';
import type { InstallationSettings } from './installationSettings';
import type { AccessLog } from './audit/trail';
import type { IntakeQueue } from './reports/intakeQueue';
import type { Tries } from './videos/rateLimit';
import type { KnownLinks } from './reports/knownLinks';
import type { Backups, ClipWorkshop, Clock, MediaStore, PhoneOnShow, Solver, TextService } from './ports';

/** Dependencies of the use cases, as the serving process puts them together. */
export interface ContextParts {
  readonly db: Database;
  /** Connection of the account that owns the schema, for what the serving account may not do: deleting old rows of the audit log. */
  readonly owner: Database;
  readonly now: Clock;
  readonly random: Random;
  readonly texts: TextService;
  /** Pretend phone that shows messages; null where they reach real phones. */
  readonly phone: PhoneOnShow | null;
  /** Destination of the daily backups; null where none is configured. */
  readonly backups: Backups | null;
  readonly solver: Solver;
  /** Storage of videos and pictures, and the workshop that reads and compresses them. */
  readonly media: MediaStore;
  readonly workshop: ClipWorkshop;
  readonly house: InstallationSettings;
  /** The address that links begin with. */
  readonly origin: string;
  /** Secret from which link tokens are made; the database never sees it. */
  readonly linkSecret: string;
}

/** Dependencies and process-wide state of the use cases: one of each per process, whichever module imports them. */
export interface Context extends ContextParts {
  readonly looks: AccessLog;
  readonly intake: IntakeQueue;
  readonly knownLinks: KnownLinks;
  /** How often families tried to send a clip today. */
  readonly clipTries: Tries;
}

const holder = globalThis as { caseloadContext?: Context };

/** Gives the running process its context, before it serves anything. */
export function provideContext(context: Context): void {
  holder.caseloadContext = context;
}

/** The running process's context. @throws Error where none was provided: a programmer's error. */
export function appContext(): Context {
  if (!holder.caseloadContext) throw new Error('This process serves without a context: start it by src/main');
  return holder.caseloadContext;
}
