import type { Random } from '@/core/random';
import type { Database } from '@/db';
import type { InstallationSettings } from './installationSettings';
import type { AccessLog } from './audit/trail';
import type { IntakeQueue } from './reports/intakeQueue';
import type { Tries } from './videos/rateLimit';
import type { KnownLinks } from './reports/knownLinks';
import type { Backups, ClipWorkshop, Clock, MediaStore, PhoneOnShow, Solver, TextService } from './ports';

/** What stands behind the use cases, as the process that serves them puts it together. */
export interface ContextParts {
  readonly db: Database;
  /** By the account that owns the schema, for what the one that serves may not: taking old rows of the trail away. */
  readonly owner: Database;
  readonly now: Clock;
  readonly random: Random;
  readonly texts: TextService;
  /** Where texts can be looked at; null where they reach real phones. */
  readonly phone: PhoneOnShow | null;
  /** Where backups go by themselves; null where nobody asked for any. */
  readonly backups: Backups | null;
  readonly solver: Solver;
  /** Where clips and pictures are kept, and what reads and makes them. */
  readonly media: MediaStore;
  readonly workshop: ClipWorkshop;
  readonly house: InstallationSettings;
  /** The address that links begin with. */
  readonly origin: string;
  /** What tokens of links are made with; the database never sees it. */
  readonly linkSecret: string;
}

/** What use cases stand on. All that a process remembers hangs here, so that there is one of it whoever imports what. */
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
