import { randomBytes, randomUUID } from 'node:crypto';
import path from 'node:path';
import { addDays, calendarDayInZone, instant, type Instant } from '@/core/calendar';
import type { ProgramDraft } from '@/core/program';
import { addTaskVersion, inTransaction, migrator, openDatabase, type Database, type TaskVersion, type Work } from '@/db';
import type { PersonActor, Role } from '@/server/actor';
import type { Context } from '@/server/context';
import { PretendPhone } from '@/outside/pretendPhone';
import { sendProgram } from '@/server/programs/sendProgram';
import { submitReport } from '@/server/reports/submitReport';
import { loadLibrary } from '../../library/loadLibrary';

export const ZONE = 'America/Denver';
/** A Wednesday noon at Tarrow Hill. */
export const NOON = instant(Date.parse('2026-10-14T18:00:00Z'));

export interface TestBed {
  readonly context: Context;
  readonly db: Database;
  readonly tasks: readonly TaskVersion[];
  /** Moves the clock. */
  at(moment: Instant): void;
  passDays(days: number): void;
  read<Row>(sql: string, replacements?: Record<string, unknown>): Promise<Row[]>;
  person(name: string, role?: Role): Promise<PersonActor>;
  child(lead: PersonActor, change?: Record<string, unknown>): Promise<number>;
  share(childId: number, person: PersonActor, access: 'shared' | 'assist'): Promise<void>;
  draft(slugs?: readonly string[], change?: Partial<ProgramDraft>): ProgramDraft;
  send(actor: PersonActor, childId: number, expectedVersion?: number, slugs?: readonly string[]): Promise<void>;
  /** The token of the newest link on the family's phone. */
  newestToken(childId: number): Promise<string>;
  versionTaskId(childId: number, slug?: string): Promise<number>;
  report(childId: number, raw?: Record<string, unknown>): ReturnType<typeof submitReport>;
  close(): Promise<void>;
}

/** An address of a database of one's own on the tests' server. */
export async function newDatabaseUrl(): Promise<string> {
  const base = process.env.YARD_TEST_DATABASE;
  if (!base) throw new Error('The integration tests run through ./yard test integration, which starts their MariaDB.');
  const name = `yard_${randomBytes(6).toString('hex')}`;
  const maker = openDatabase(base);
  await maker.sequelize.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await maker.close();
  return base.replace(/\/yard$/, `/${name}`);
}

/** The real schema on the real server, a clock that the test moves, and short ways to people, children and reports. */
export async function newTestBed(): Promise<TestBed> {
  const url = await newDatabaseUrl();
  const db = openDatabase(url);
  await migrator(db).up();
  const folder = path.join(process.env.YARD_TEST_FOLDER!, url.split('/').at(-1)!);
  let now = NOON;
  const context: Context = { db, now: () => now, phone: new PretendPhone(folder, 'http://yard.test'), origin: 'http://yard.test' };
  const write = <Answer>(job: (work: Work) => Promise<Answer>) => inTransaction(db, job);
  const tasks = await write(async (work) => {
    await work.insert('schools', { name: 'Millbeck Early Years', visit_days: 'Tue, Thu' });
    await work.select("INSERT INTO workplace (id, emergency_number, time_zone) VALUES (1, '911', :ZONE) RETURNING id", { ZONE });
    const added: TaskVersion[] = [];
    for (const content of loadLibrary()) added.push(await addTaskVersion(work, content, now));
    return added;
  });
  const bed: TestBed = {
    context,
    db,
    tasks,
    at: (moment) => {
      now = moment;
    },
    passDays: (days) => {
      now = instant(now + days * 86_400_000);
    },
    read: (sql, replacements) => write((work) => work.select(sql, replacements)),
    async person(name, role = 'therapist') {
      const personId = await write((work) =>
        work.insert('people', { name, email: `${randomUUID()}@tarrowhill.example`, role, password_hash: '-', created_at: now }),
      );
      return { kind: 'person', personId, name, role, signInId: 0 };
    },
    child: (lead, change = {}) =>
      write(async (work) => {
        const childId = await work.insert('children', { ...CHILD, created_at: now, ...change });
        await work.insert('child_access', { child_id: childId, person_id: lead.personId, access: 'lead' });
        return childId;
      }),
    share: async (childId, person, access) => {
      await write((work) => work.insert('child_access', { child_id: childId, person_id: person.personId, access }));
    },
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
            dose: content.dose,
            choices: {},
          };
        }),
        ...change,
      };
    },
    async send(actor, childId, expectedVersion = 0, slugs) {
      await sendProgram(context, actor, { childId, expectedVersion, draft: bed.draft(slugs), cautionsRead: true });
    },
    async newestToken(childId) {
      const texts = await context.phone.read(childId);
      return texts.at(-1)!.text.split('/f/')[1]!;
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
      return submitReport(context, await bed.newestToken(childId), {
        idempotencyKey: randomUUID(),
        versionTaskId,
        done: 'yes',
        left: '5',
        right: '5',
        help: 'alone',
        effort: 'right',
        ...raw,
      });
    },
    close: () => db.close(),
  };
  return bed;
}

const CHILD = {
  called_name: 'Odalys',
  initial: 'V',
  school_id: 1,
  born_on: '2021-08-12',
  hand: 'left',
  mouths_things: false,
  scissors_allowed: true,
  has_printer: false,
  minutes_per_day: 20,
  family_language: 'es',
  home_languages: ['es'],
  allergies: [],
  textures_avoided: [],
  materials_at_home: ['paper'],
  helpers: '',
  report_way: 'link',
  time_zone: ZONE,
} as const;

/** The code with which a use case refuses; fails where it does not. */
export async function refusal(job: Promise<unknown>): Promise<string> {
  return job.then(
    () => 'not refused',
    (error: { code?: string; message: string }) => error.code ?? error.message,
  );
}
