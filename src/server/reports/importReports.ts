import { z } from 'zod';
import { addDays, calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { DATE_ORDERS, nameOf, type DateOrder } from '@/core/students';
import { groupBy } from '@/core/groupBy';
import { ENTRY_WAYS, REPORT_COLUMNS, type ReportColumn } from '@/core/reports';
import { childrenOf, inTransaction, saveListColumns, knownReportKeys, listColumnsOf, lockForTyping, workplaceOf, type Work } from '@/db';
import {
  dateOrderOf,
  matchColumns,
  matchedHeadings,
  MOST_REPORT_ROWS,
  readReports,
  readTable,
  REPORTS_TEMPLATE,
  USUAL_REPORT_HEADINGS,
  type ReportCellFinding,
  type ReportRow,
  type TableFault,
} from '@/formats';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { invalid, parseInput } from '../parseInput';
import { keyOf } from './keyOf';
import { takeIn, type ItemToTake } from './takeIn';
import { KnownChildren } from './knownChildren';
import { ofItsDay } from './ofItsDay';
import { ENTRY_DAYS_BACK } from './viewEntry';

const optionsSchema = z.object({
  text: z.string().max(600_000),
  /** Meaning of each column, in the order of the headings; left out at first, when columns are matched automatically. */
  columns: z.array(z.enum(REPORT_COLUMNS).nullable()).max(100).optional(),
  dateOrder: z.enum(DATE_ORDERS).optional(),
  way: z.enum(ENTRY_WAYS).default('paper'),
});
type Options = z.output<typeof optionsSchema>;

export interface ReportsFinding {
  readonly column: ReportColumn;
  /** A cell that can't be read, or a row that can't stand. */
  readonly code: ReportCellFinding['code'] | (string & {});
  readonly cell: string;
}

export interface ReportsPreviewRow {
  readonly number: number;
  readonly child: string;
  readonly task: string;
  readonly doneOn: CalendarDay | null;
  /** The step of that day; null where the row can't be taken. */
  readonly step: number | null;
  readonly told: ReportRow['told'];
  readonly findings: readonly ReportsFinding[];
  /** It came in by such a list before: it is left as it is. */
  readonly isThere: boolean;
  /** Words of harm: it will close its task till a person looks. */
  readonly closes: boolean;
}

export type ReportsPreview =
  | { readonly ok: false; readonly fault: TableFault }
  | {
      readonly ok: true;
      readonly headings: readonly string[];
      readonly columns: readonly (ReportColumn | null)[];
      /** Null where the dates can be read both ways: a person says which. */
      readonly dateOrder: DateOrder | null;
      readonly rows: readonly ReportsPreviewRow[];
    };

type Found = Extract<ReportsPreview, { ok: true }> & { readonly items: readonly ItemToTake[] };

/** Previews a list of reports: each row as it would be filed, or its issues. Writes nothing. @throws AppError invalid */
export async function previewReports(context: Context, actor: PersonActor, raw: unknown): Promise<ReportsPreview> {
  const options = parseInput(optionsSchema, raw);
  return inTransaction(context.db, async (work) => {
    const found = await look(work, context, actor, options);
    if (!found.ok) return found;
    const { items: _items, ...preview } = found;
    return preview;
  });
}

export interface TakenReports {
  readonly added: number;
  readonly there: number;
  /** True where words of harm closed a task. */
  readonly closed: boolean;
}

/**
 * Takes a list of reports in: all of its rows, or none where one stands in the way. A row that came in by such a list before stays as it is, so that a list
 * that has grown can be taken in again.
 * @throws AppError invalid with every row that stands in the way
 */
export async function importReports(context: Context, actor: PersonActor, raw: unknown): Promise<TakenReports> {
  const options = parseInput(optionsSchema, raw);
  const first = await inTransaction(context.db, (work) => look(work, context, actor, options));
  if (!first.ok) throw invalid({ path: 'text', code: first.fault.code });
  const childIds = [...new Set(first.items.map(({ childId }) => childId))].sort((one, other) => one - other);
  return inTransaction(context.db, async (work) => {
    // Serializes concurrent entry for the same child; existing reports are read after the lock.
    for (const childId of childIds) await lockForTyping(work, childId);
    const found = (await look(work, context, actor, options)) as Found;
    if (found.dateOrder === null) throw invalid({ path: 'dateOrder', code: 'datesBothWays' });
    const wrong = found.rows.filter(({ findings }) => findings.length > 0);
    if (wrong.length > 0) throw invalid(...wrong.map(({ number }) => ({ path: `rows.${number}`, code: 'rowStandsInTheWay' })));
    await saveListColumns(work, actor.personId, 'reports', matchedHeadings(found.headings, found.columns));
    const stored = [...(await takeIn(work, context, found.items)).values()].filter(({ fresh }) => fresh);
    const now = context.now();
    const counts = groupBy(stored, ({ childId }) => childId);
    await recordChanges(
      work,
      now,
      [...counts].map(([childId, own]) => entryOf(actor, now, [childId], 'report.entered', { count: own.length, way: options.way })),
    );
    const closed = stored.some(({ safetyWord }) => safetyWord);
    return { added: stored.length, there: found.rows.length - stored.length, closed };
  });
}

/** The published template of a list of reports, for whoever is signed in. */
export function reportsTemplate(_actor: PersonActor): string {
  return REPORTS_TEMPLATE;
}

async function look(
  work: Work,
  context: Context,
  actor: PersonActor,
  options: Options,
): Promise<Extract<ReportsPreview, { ok: false }> | Found> {
  const read = readTable(options.text, MOST_REPORT_ROWS);
  if (!read.ok) return read;
  const { headings, rows: cells } = read.table;
  const columns =
    options.columns?.length === headings.length
      ? options.columns
      : matchColumns(headings, USUAL_REPORT_HEADINGS, await listColumnsOf(work, actor.personId, 'reports'));
  const told = columns.includes('doneOn') ? dateOrderOf(cells.map((row) => row[columns.indexOf('doneOn')] ?? '')) : 'anyWay';
  const dateOrder = told === 'anyWay' ? (options.dateOrder ?? 'monthFirst') : (told ?? options.dateOrder ?? null);
  const { timeZone } = await workplaceOf(work);
  const today = calendarDayInZone(context.now(), timeZone);
  const known = new KnownChildren(work, await childrenOf(work, actor.personId), actor, addDays(today, -ENTRY_DAYS_BACK));
  const seen = new Set<string>();
  const judged: Judged[] = [];
  for (const row of readReports(read.table, columns, dateOrder ?? 'monthFirst'))
    judged.push(await judge(row, { known, options, actor, today, seen }));
  const items = judged.flatMap(({ item }) => (item ? [item] : []));
  const there = await knownReportKeys(
    work,
    items.map(({ idempotencyKey }) => idempotencyKey),
  );
  const rows = judged.map(({ row, item }) =>
    item && there.has(item.idempotencyKey) ? { ...row, isThere: true, findings: [], closes: false } : row,
  );
  return { ok: true, headings, columns, dateOrder, rows, items };
}

interface Judged {
  readonly row: ReportsPreviewRow;
  /** Null where the row can't stand. */
  readonly item: ItemToTake | null;
}

interface Judging {
  readonly known: KnownChildren;
  readonly options: Options;
  readonly actor: PersonActor;
  readonly today: CalendarDay;
  /** Child, task and day of the rows before. */
  readonly seen: Set<string>;
}

async function judge(row: ReportRow, { known, options, actor, today, seen }: Judging): Promise<Judged> {
  const findings: ReportsFinding[] = [...row.findings];
  const { number, doneOn, told } = row;
  const found = row.child === '' ? [] : known.childrenCalled(row.child);
  const child = found.length === 1 ? found[0]! : null;
  if (!child && row.child !== '')
    findings.push({ column: 'child', code: found.length === 0 ? 'noSuchChild' : 'twoChildren', cell: row.child.slice(0, 60) });
  const task = child && doneOn && row.task !== '' ? await known.task(child, doneOn, row.task) : null;
  if (child && doneOn && row.task !== '' && !task) findings.push({ column: 'task', code: 'notInProgram', cell: row.task.slice(0, 60) });
  if (task && row.step !== null && row.step !== task.step) findings.push({ column: 'step', code: 'otherStep', cell: String(task.step) });
  if (task && !task.perSide && (told.left !== null || told.right !== null))
    findings.push({ column: told.left !== null ? 'left' : 'right', code: 'noSides', cell: task.titles[0]! });
  const shown = {
    number,
    child: child ? nameOf(child) : row.child,
    task: task?.titles[0] ?? row.task,
    doneOn,
    step: task?.step ?? null,
    told,
    isThere: false,
    closes: false,
  };
  if (findings.length > 0 || !child || !task || !doneOn) return { row: { ...shown, findings }, item: null };
  const place = `${child.id}:${task.taskId}:${doneOn}`;
  if (seen.has(place)) return { row: { ...shown, findings: [{ column: 'doneOn', code: 'twiceInList', cell: doneOn }] }, item: null };
  seen.add(place);
  const item = ofItsDay({
    childId: child.id,
    task,
    facts: { ...told, doneOn, isQuestion: false },
    idempotencyKey: keyOf(`list ${child.id} ${task.taskId} ${doneOn}`),
    origin: { way: options.way, enteredBy: actor.personId },
    today,
  });
  if ('code' in item) return { row: { ...shown, findings: [{ column: 'doneOn', code: item.code, cell: doneOn }] }, item: null };
  const already = await known.isTold(child.id, task.taskId, doneOn);
  const toldAlready = already ? [{ column: 'doneOn' as const, code: 'toldAlready', cell: doneOn }] : [];
  return { row: { ...shown, closes: item.facts.safetyWord, findings: toldAlready }, item };
}
