import { z } from 'zod';
import { plain } from '@/core/text';
import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { DATE_ORDERS, ROSTER_FACTS, type DateOrder, type RosterFact } from '@/core/students';
import {
  dateOrderOf,
  matchColumns,
  matchedHeadings,
  readRoster,
  MOST_ROSTER_ROWS,
  readTable,
  ROSTER_TEMPLATE,
  USUAL_ROSTER_HEADINGS,
  type RosterRow,
  type TableFault,
} from '@/formats';
import { inTransaction, saveListColumns, listColumnsOf, sameChildOf, schoolsHere, workplaceOf, type Work } from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { invalid, parseInput } from '../parseInput';
import { isStudentsBirthday, takeOn } from './writeRecord';

const optionsSchema = z.object({
  text: z.string().max(600_000),
  /** Fact of each column, in the order of the headings; left out at the first look, which matches them automatically. */
  columns: z.array(z.enum(ROSTER_FACTS).nullable()).max(100).optional(),
  dateOrder: z.enum(DATE_ORDERS).optional(),
  /** For rows that name no school. */
  school: z.string().trim().max(80).default(''),
  /** For names that no school here has: which school each is, or the same name for a new one. */
  schools: z.record(z.string().max(200), z.string().trim().min(1).max(80)).default({}),
  /** For rows that do not say. */
  scissorsAllowed: z.boolean().nullable().default(null),
  mouthsThings: z.boolean().nullable().default(null),
});

export interface RosterPreviewRow extends RosterRow {
  /** On the caseload already, by name and birthday: it is left as it is. */
  readonly isThere: boolean;
}

export type RosterPreview =
  | { readonly ok: false; readonly fault: TableFault }
  | {
      readonly ok: true;
      readonly headings: readonly string[];
      readonly columns: readonly (RosterFact | null)[];
      /** Null where the dates can be read both ways: a person says which. */
      readonly dateOrder: DateOrder | null;
      readonly rows: readonly RosterPreviewRow[];
      readonly schools: readonly string[];
      /** Names in the list that no school here has, and that nobody answered for. */
      readonly unknownSchools: readonly string[];
      /** Facts that the rows lack, with their answers; null while unanswered. */
      readonly asks: Readonly<Partial<Record<'scissorsAllowed' | 'mouthsThings', boolean | null>>>;
    };

/** Previews a list: each row's student, or its fault. Nothing is written. @throws AppError notAllowed, invalid */
export async function previewRoster(context: Context, actor: PersonActor, raw: unknown): Promise<RosterPreview> {
  requireMay(actor, 'addChildren');
  const options = parseInput(optionsSchema, raw);
  return inTransaction(context.db, (work) => preview(work, context, actor, options));
}

async function preview(work: Work, context: Context, actor: PersonActor, options: z.output<typeof optionsSchema>): Promise<RosterPreview> {
  const read = readTable(options.text, MOST_ROSTER_ROWS);
  if (!read.ok) return read;
  const { headings, rows: cells } = read.table;
  const schools = (await schoolsHere(work)).map(({ name }) => name);
  const matched =
    options.columns?.length === headings.length
      ? options.columns
      : matchColumns(headings, USUAL_ROSTER_HEADINGS, await listColumnsOf(work, actor.personId, 'children'));
  const births = cells.map((row) => row[matched.indexOf('bornOn')] ?? '');
  const told = matched.includes('bornOn') ? dateOrderOf(births) : 'anyWay';
  const dateOrder = told === 'anyWay' ? (options.dateOrder ?? 'monthFirst') : (told ?? options.dateOrder ?? null);
  const { timeZone } = await workplaceOf(work);
  const today = calendarDayInZone(context.now(), timeZone);
  const rows: RosterPreviewRow[] = [];
  const named = new Map(
    [...Object.entries(options.schools), ...schools.map((name) => [name, name] as const)].map(([cell, name]) => [plain(cell), name]),
  );
  const { scissorsAllowed, mouthsThings } = options;
  const usual = { scissorsAllowed, mouthsThings };
  for (const row of readRoster(read.table, {
    columns: matched,
    dateOrder: dateOrder ?? 'monthFirst',
    school: options.school,
    schools: named,
    usual,
  })) {
    const judged = unborn(row, today) ?? row;
    const isThere = judged.record !== null && (await sameChildOf(work, actor.personId, judged.record)) !== null;
    rows.push({ ...judged, isThere });
  }
  const unknownSchools = [
    ...new Set(rows.filter(({ findings }) => findings.some(({ code }) => code === 'unknownSchool')).map(({ school }) => school)),
  ];
  const isSilent = (fact: RosterFact) => cells.some((row) => (row[matched.indexOf(fact)] ?? '') === '');
  const asks = { ...(isSilent('scissorsAllowed') && { scissorsAllowed }), ...(isSilent('mouthsThings') && { mouthsThings }) };
  return { ok: true, headings, columns: matched, dateOrder, schools, unknownSchools, asks, rows };
}

function unborn(row: RosterRow, today: CalendarDay): RosterRow | null {
  if (!row.record || isStudentsBirthday(row.record.bornOn, today)) return null;
  return { ...row, record: null, findings: [{ fact: 'bornOn', code: 'notADate', cell: row.record.bornOn }] };
}

/**
 * Takes the new students of a list in. Rows that something is wrong with are left out, and told; students that are there already stay as
 * they are, so that a corrected list can be taken in again. How its columns were matched is remembered.
 * @throws AppError notAllowed, invalid
 */
export async function importRoster(
  context: Context,
  actor: PersonActor,
  raw: unknown,
): Promise<{ added: number; there: number; leftOut: number }> {
  requireMay(actor, 'addChildren');
  const options = parseInput(optionsSchema, raw);
  return inTransaction(context.db, async (work) => {
    const found = await preview(work, context, actor, options);
    if (!found.ok) throw invalid({ path: 'text', code: found.fault.code });
    if (found.dateOrder === null) throw invalid({ path: 'dateOrder', code: 'datesBothWays' });
    const wrong = found.rows.filter(({ record }) => record === null);
    if (wrong.length === found.rows.length)
      throw invalid(...wrong.map(({ number }) => ({ path: `rows.${number}`, code: 'rowStandsInTheWay' })));
    await saveListColumns(work, actor.personId, 'children', matchedHeadings(found.headings, found.columns));
    const known = found.rows.filter(({ record }) => record !== null);
    const fresh = known.filter(({ isThere }) => !isThere);
    for (const { record, school } of fresh) await takeOn(work, context, actor, record!, school);
    return { added: fresh.length, there: known.length - fresh.length, leftOut: wrong.length };
  });
}

/** The published template of a list. @throws AppError notAllowed */
export function rosterTemplate(actor: PersonActor): string {
  requireMay(actor, 'addChildren');
  return ROSTER_TEMPLATE;
}
