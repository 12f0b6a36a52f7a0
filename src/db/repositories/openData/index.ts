import type { Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

/** Which rows leave: of these children, or of all; behind a number; so many at most. */
export interface OpenOptions {
  /** Null for every child. */
  readonly childIds: readonly number[] | null;
  readonly after: number;
  readonly most: number;
}

interface OfChild {
  readonly id: number;
  readonly childId: number;
  readonly calledName: string;
  readonly initial: string;
  readonly school: string;
}

async function page<Row>(work: Work, { childIds, after, most }: OpenOptions, columns: string, from: string, id: string): Promise<Row[]> {
  if (childIds?.length === 0) return [];
  return tablesOf(work).select<Row>(
    `SELECT ${columns} ${from} ${from.includes(' WHERE ') ? 'AND' : 'WHERE'} ${id} > :after ${childIds ? 'AND c.id IN (:childIds)' : ''} ORDER BY ${id} LIMIT :most`,
    { after, most, ...(childIds && { childIds }) },
  );
}

const OF_CHILD = 'c.id AS childId, c.called_name AS calledName, c.initial, s.name AS school';
const SCHOOL = 'JOIN schools s ON s.id = c.school_id';

export interface OpenReport extends OfChild {
  readonly task: string;
  /** Null where the task has none. */
  readonly description: string | null;
  readonly slug: string;
  readonly step: number;
  readonly doneOn: string;
  readonly done: number;
  readonly amount: number | null;
  readonly left: number | null;
  readonly right: number | null;
  readonly minutes: number | null;
  readonly help: string | null;
  readonly effort: string | null;
  readonly stopReason: string | null;
  readonly injury: string | null;
  readonly mistake: number;
  readonly onHold: number | null;
  readonly words: string;
  readonly saidBy: string;
  readonly way: string;
  readonly saidAt: Instant;
}

/** Lists caregivers' reports, without the therapist's own measurements. */
export async function openReports(work: Work, options: OpenOptions): Promise<OpenReport[]> {
  return page(
    work,
    options,
    `r.id, ${OF_CHILD}, JSON_VALUE(v.content, '$.title.en') AS task, JSON_VALUE(v.content, '$.description.en') AS description, t.slug, r.step, r.done_on AS doneOn, r.done, CAST(r.amount AS DOUBLE) AS amount, r.left_count AS \`left\`,
     r.right_count AS \`right\`, r.minutes, r.help, r.effort, r.stop_reason AS stopReason, r.danger AS injury, r.mistake, r.holds AS onHold, r.words, r.said_by AS saidBy, r.way, r.said_at AS saidAt`,
    `FROM reports r JOIN children c ON c.id = r.child_id ${SCHOOL} JOIN tasks t ON t.id = r.task_id
     JOIN version_tasks p ON p.id = r.version_task_id JOIN task_versions v ON v.id = p.task_version_id WHERE r.way <> 'measured'`,
    'r.id',
  );
}

export interface OpenGoal extends OfChild {
  readonly content: unknown;
  readonly closedOn: string | null;
  readonly closedWhy: string;
  readonly versions: number;
}

export async function openGoals(work: Work, options: OpenOptions): Promise<OpenGoal[]> {
  return page(
    work,
    options,
    `g.id, ${OF_CHILD}, CAST(v.content AS CHAR) AS content, g.closed_on AS closedOn, g.closed_why AS closedWhy, g.current_version AS versions`,
    `FROM goals g JOIN goal_versions v ON v.goal_id = g.id AND v.number = g.current_version JOIN children c ON c.id = g.child_id ${SCHOOL}`,
    'g.id',
  );
}

export interface OpenMeasurement extends OfChild {
  readonly goalId: number | null;
  readonly slug: string | null;
  readonly step: number | null;
  readonly measuredOn: string;
  readonly good: number | null;
  readonly trials: number | null;
  readonly help: string | null;
  readonly level: number | null;
  readonly minutes: number | null;
  readonly note: string;
  readonly measuredBy: string;
}

export async function openMeasurements(work: Work, options: OpenOptions): Promise<OpenMeasurement[]> {
  return page(
    work,
    options,
    `m.id, ${OF_CHILD}, m.goal_id AS goalId, t.slug, m.step, m.measured_on AS measuredOn, m.good, m.trials, m.help, m.level, m.minutes, m.note, p.name AS measuredBy`,
    `FROM measurements m JOIN children c ON c.id = m.child_id ${SCHOOL} JOIN people p ON p.id = m.measured_by LEFT JOIN tasks t ON t.id = m.task_id
     WHERE m.taken_back_at IS NULL`,
    'm.id',
  );
}

export interface OpenChild extends OfChild {
  readonly bornOn: string;
  readonly hand: string;
  readonly minutesPerDay: number;
  readonly familyLanguage: string;
  readonly allergies: string;
  readonly mouthsThings: number;
  readonly scissorsAllowed: number;
  readonly hasPrinter: number;
  readonly reportWay: string;
  readonly helpers: string;
  readonly teacher: string;
  readonly likes: string;
}

export async function openRoster(work: Work, options: OpenOptions): Promise<OpenChild[]> {
  return page(
    work,
    options,
    `c.id, ${OF_CHILD}, c.born_on AS bornOn, c.hand, c.minutes_per_day AS minutesPerDay, c.family_language AS familyLanguage,
     CAST(c.allergies AS CHAR) AS allergies, c.mouths_things AS mouthsThings, c.scissors_allowed AS scissorsAllowed, c.has_printer AS hasPrinter,
     c.report_way AS reportWay, c.helpers, c.teacher, c.likes`,
    `FROM children c ${SCHOOL} WHERE c.left_on IS NULL`,
    'c.id',
  );
}

export interface OpenBag extends OfChild {
  readonly week: string;
  readonly things: string;
  readonly packedAt: Instant;
  readonly handedAt: Instant | null;
  readonly backAt: Instant | null;
}

export async function openBags(work: Work, options: OpenOptions): Promise<OpenBag[]> {
  return page(
    work,
    options,
    `b.id, ${OF_CHILD}, b.week, CAST(b.things AS CHAR) AS things, b.packed_at AS packedAt, b.handed_at AS handedAt, b.back_at AS backAt`,
    `FROM kit_bags b JOIN children c ON c.id = b.child_id ${SCHOOL}`,
    'b.id',
  );
}
