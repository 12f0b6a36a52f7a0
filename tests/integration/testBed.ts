import { plannedDoseOf } from '@/core/tasks';
import { randomUUID } from 'node:crypto';
import path from 'node:path';
import { addDays, calendarDay, calendarDayInZone, instant, type Instant } from '@/core/calendar';
import { EMPTY_RECORD, type Role } from '@/core/students';
import type { ProgramDraft } from '@/core/programs';
import { seededRandom } from '@/core/random';
import {
  addChild,
  addPerson,
  giveAccess,
  inTransaction,
  latestTasks,
  openDatabase,
  type Database,
  type NewChild,
  type TaskVersion,
  addJobs,
  addMessage,
  type Work,
} from '@/db';
import { Workshop } from '@/outside/clips/workshop';
import { FolderMedia } from '@/outside/folderMedia';
import { HighsSolver } from '@/outside/highsSolver';
import { PretendPhone } from '@/outside/pretendPhone';
import type { PersonActor } from '@/server/actor';
import type { Context, ContextParts } from '@/server/context';
import { createContext } from '@/server/createContext';
import { DEFAULT_INSTALLATION } from '@/server/installationSettings';
import { runDue } from '@/server/jobs/runDue';
import { addressOf, type PhoneText } from '@/server/ports';
import { sendProgram } from '@/server/programs/sendProgram';
import { deliverJob } from '@/server/jobs/jobs';
import { submitReport } from '@/server/reports/submitReport';
import { rowsOf, runSql } from '../../scripts/sql';
import { copyOfTemplate, NOON, ZONE } from './templateDatabase';

export { newDatabaseUrl, NOON, ZONE } from './templateDatabase';

export interface TestBed {
  readonly context: Context;
  readonly db: Database;
  readonly databaseUrl: string;
  readonly tasks: readonly TaskVersion[];
  /** Moves the clock. */
  at(moment: Instant): void;
  passDays(days: number): void;
  read<Row>(sql: string, replacements?: Record<string, unknown>): Promise<Row[]>;
  /** Breaks or sets what no use case may, behind the program's back. */
  write(sql: string, replacements?: Record<string, unknown>): Promise<void>;
  person(name: string, role?: Role): Promise<PersonActor>;
  child(lead: PersonActor, change?: Partial<NewChild>): Promise<number>;
  share(childId: number, person: PersonActor, access: 'shared' | 'assist'): Promise<void>;
  draft(slugs?: readonly string[], change?: Partial<ProgramDraft>): ProgramDraft;
  /** Sends a program and lets its text go out. */
  send(actor: PersonActor, childId: number, expectedVersion?: number, slugs?: readonly string[]): Promise<void>;
  /** What the runner would do by now. */
  runJobs(): Promise<number>;
  /** What lies on a family's phone, oldest first. */
  phone(childId: number): Promise<PhoneText[]>;
  /** The token of the newest link on the family's phone. */
  newestToken(childId: number): Promise<string>;
  versionTaskId(childId: number, slug?: string): Promise<number>;
  report(childId: number, raw?: Record<string, unknown>): ReturnType<typeof submitReport>;
  close(): Promise<void>;
}

export const ORIGIN = 'http://yard.test';

/** The real schema on the real server, a clock that the test moves, and short ways to people, children and reports. */
export async function newTestBed(change: { parts?: Partial<ContextParts>; pool?: number } = {}): Promise<TestBed> {
  const databaseUrl = await copyOfTemplate();
  const db = openDatabase(databaseUrl, change.pool === undefined ? {} : { max: change.pool });
  const folder = path.join(process.env.YARD_TEST_FOLDER!, databaseUrl.split('/').at(-1)!);
  let now = NOON;
  const clock = () => now;
  const phone = new PretendPhone(folder, ORIGIN, clock);
  const solver = new HighsSolver();
  const workshop = new Workshop();
  const context = createContext({
    db,
    owner: db,
    now: clock,
    random: seededRandom(1),
    texts: phone,
    phone,
    backups: null,
    solver,
    media: new FolderMedia(path.join(folder, 'media')),
    workshop,
    house: DEFAULT_INSTALLATION,
    origin: ORIGIN,
    linkSecret: 'a secret of the tests',
    ...change.parts,
  });
  const tasks = await inTransaction(db, (work) => latestTasks(work));
  const bed: TestBed = {
    context,
    db,
    databaseUrl,
    tasks,
    at: (moment) => {
      now = moment;
    },
    passDays: (days) => {
      now = instant(now + days * 86_400_000);
    },
    read: (sql, replacements) => rowsOf(db, sql, replacements),
    write: (sql, replacements) => runSql(db, sql, replacements),
    async person(name, role = 'therapist') {
      const personId = await inTransaction(db, (work) =>
        addPerson(work, { name, email: `${randomUUID()}@tarrowhill.example`, role, passwordHash: '-' }, now),
      );
      return { kind: 'person', personId, name, role, signInId: 0, confirmedUntil: instant(8e15) };
    },
    child: (lead, change = {}) =>
      inTransaction(db, async (work) => {
        const childId = await addChild(work, { ...CHILD, ...change }, now);
        await giveAccess(work, childId, lead.personId, 'lead');
        return childId;
      }),
    share: (childId, person, access) => inTransaction(db, (work) => giveAccess(work, childId, person.personId, access)),
    draft(slugs = ['open-the-shutters', 'crane-lift'], change = {}) {
      const today = calendarDayInZone(now, ZONE);
      return {
        startsOn: today,
        endsOn: addDays(today, 27),
        note: '',
        tasks: slugs.map((slug) => {
          const { taskVersionId, content } = tasks.find((task) => task.content.slug === slug)!;
          return {
            taskVersionId,
            part: content.part,
            step: 3,
            chooseFrom: 2,
            chooseTo: 4,
            weekdays: [1, 2, 3, 4, 5, 6, 7],
            dose: plannedDoseOf(content),
            choices: {},
          };
        }),
        ...change,
      };
    },
    async send(actor, childId, expectedVersion = 0, slugs) {
      await sendProgram(context, actor, { childId, expectedVersion, draft: bed.draft(slugs), cautionsRead: true });
      await bed.runJobs();
    },
    runJobs: () => runDue(context, 'test'),
    phone: (childId) => phone.read(addressOf(childId)),
    async newestToken(childId) {
      await bed.runJobs();
      return (await bed.phone(childId))
        .filter(({ text }) => text.includes('/f/'))
        .at(-1)!
        .text.split('/f/')[1]!;
    },
    async versionTaskId(childId, slug = 'crane-lift') {
      const { taskId } = tasks.find((task) => task.content.slug === slug)!;
      const [row] = await bed.read<{ id: number }>(
        `SELECT t.id FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id
         WHERE p.child_id = :childId AND v.number = p.current_version AND t.task_id = :taskId`,
        { childId, taskId },
      );
      return row!.id;
    },
    async report(childId, raw = {}) {
      const versionTaskId = await bed.versionTaskId(childId);
      const form = { idempotencyKey: randomUUID(), versionTaskId, done: 'yes', left: '5', right: '5', help: 'alone', effort: 'right' };
      return submitReport(context, await bed.newestToken(childId), { ...form, ...raw });
    },
    async close() {
      await solver.close();
      await workshop.close();
      await db.close();
    },
  };
  return bed;
}

const CHILD: NewChild = {
  ...EMPTY_RECORD,
  calledName: 'Odalys',
  initial: 'V',
  schoolId: 1,
  bornOn: calendarDay('2021-08-12'),
  hand: 'left',
  mouthsThings: false,
  scissorsAllowed: true,
  hasPrinter: false,
  minutesPerDay: 20,
  familyLanguage: 'es',
  homeLanguages: ['es'],
  allergies: [],
  texturesAvoided: [],
  materialsAtHome: ['paper'],
  helpers: '',
  reportWay: 'link',
  timeZone: ZONE,
  taskSettings: {},
};

/** The code with which a use case refuses; fails where it does not. */
export async function refusal(job: Promise<unknown>): Promise<string> {
  return job.then(
    () => 'not refused',
    (error: { code?: string; message: string }) => error.code ?? error.message,
  );
}

/** A message with words of its own, and its job, in the transaction of what it tells of. */
export async function postWords(work: Work, bed: TestBed, childId: number, by: PersonActor, words: string): Promise<number> {
  const createdAt = bed.context.now();
  const messageId = await addMessage(work, { childId, kind: 'note', words, createdBy: by.personId, createdAt, sendAt: null });
  await addJobs(work, [deliverJob(messageId, createdAt)]);
  return messageId;
}
