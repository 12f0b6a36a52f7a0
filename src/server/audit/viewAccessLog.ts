import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/students';
import { auditOf, inReading, type AuditRow } from '@/db';
import { writeCsv } from '@/formats';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { entryOf } from './trail';

export interface AccessLogQuery {
  readonly kind: 'all' | 'looks' | 'changes';
  /** A person's name, or `family`; empty for everybody. */
  readonly who: string;
}

/** A person's accesses and changes on one day with a student: accesses as a count, changes one by one. */
export interface LookDay {
  readonly day: CalendarDay;
  /** Null for the family's own link. */
  readonly who: string | null;
  readonly looks: number;
  readonly changes: readonly AuditRow[];
}

export interface AccessLogView {
  readonly child: Child;
  readonly days: readonly LookDay[];
  readonly people: readonly string[];
  /** Only the newest are shown. The file has all of them. */
  readonly isCut: boolean;
}

const MOST_SHOWN = 1000;
const MOST_IN_FILE = 100_000;
const FAMILY = 'family';

const isLook = ({ action }: AuditRow) => action.endsWith('.viewed');
const whoOf = ({ who, byFamily }: AuditRow) => who ?? (byFamily ? null : 'Yard Steps');

/** Lists who looked at a student's record and who changed what, by day and person, latest first. @throws AppError notFound, notAllowed */
export async function viewAccessLog(
  context: Context,
  actor: PersonActor,
  childId: number,
  { kind, who }: AccessLogQuery,
): Promise<AccessLogView> {
  const view = await inReading(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'readAccessLog');
    const rows = await auditOf(work, childId, MOST_SHOWN);
    const days = new Map<string, { day: CalendarDay; who: string | null; looks: number; changes: AuditRow[] }>();
    for (const row of rows) {
      if ((kind === 'looks' && !isLook(row)) || (kind === 'changes' && isLook(row))) continue;
      if (who !== '' && (whoOf(row) ?? FAMILY) !== who) continue;
      const day = calendarDayInZone(row.at, child.timeZone);
      const key = `${day} ${whoOf(row) ?? ''}`;
      const kept = days.get(key) ?? { day, who: whoOf(row), looks: 0, changes: [] };
      if (isLook(row)) kept.looks += 1;
      else kept.changes.push(row);
      days.set(key, kept);
    }
    const people = [...new Set(rows.map((row) => whoOf(row) ?? FAMILY))].sort();
    return { child, days: [...days.values()], people, isCut: rows.length === MOST_SHOWN };
  });
  await context.looks.note(entryOf(actor, context.now(), [childId], 'looks.viewed'));
  return view;
}

/**
 * The same row by row, as CSV.
 * @param say what a row tells, in words
 * @throws AppError notFound, notAllowed
 */
export async function accessLogForFile(
  context: Context,
  actor: PersonActor,
  childId: number,
  say: (row: AuditRow) => string,
): Promise<string> {
  const rows = await inReading(context.db, async (work) => {
    await requireChild(work, actor, childId, 'readAccessLog');
    return auditOf(work, childId, MOST_IN_FILE);
  });
  await context.looks.note(entryOf(actor, context.now(), [childId], 'looks.viewed'));
  const cells = rows.map((row) => [
    new Date(row.at).toISOString(),
    whoOf(row) ?? 'the family’s link',
    isLook(row) ? 'look' : 'change',
    say(row),
  ]);
  return writeCsv(['moment (UTC)', 'who', 'kind', 'what'], cells);
}
