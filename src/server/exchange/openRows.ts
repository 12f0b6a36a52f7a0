import { nameOf } from '@/core/students';
import { goalSchema, valuesOf } from '@/core/goals';
import {
  openBags,
  openGoals,
  openMeasurements,
  openReports,
  openRoster,
  type OpenBag,
  type OpenChild,
  type OpenGoal,
  type OpenMeasurement,
  type OpenReport,
  type OpenOptions,
  type Work,
} from '@/db';
import type { OpenRow, OpenTableName } from '@/formats';

export interface OpenPage {
  readonly rows: readonly OpenRow[];
  /** The number behind which the next page begins; null on the last one. */
  readonly next: number | null;
}

/** Rows of a table as they leave, each with all its columns. */
const ROWS: {
  readonly [Name in OpenTableName]: (work: Work, options: OpenOptions) => Promise<readonly { id: number; rows: readonly OpenRow[] }[]>;
} = {
  reports: async (work, options) => (await openReports(work, options)).map((row) => one(row, reportRow(row))),
  goals: async (work, options) => (await openGoals(work, options)).map((row) => one(row, goalRow(row))),
  measurements: async (work, options) => (await openMeasurements(work, options)).map((row) => one(row, measurementRow(row))),
  roster: async (work, options) => (await openRoster(work, options)).map((row) => one(row, childRow(row))),
  kits: async (work, options) => (await openBags(work, options)).map((row) => ({ id: row.id, rows: bagRows(row) })),
};

/** A page of a table; a bag is one number, and as many rows as it has things. */
export async function openPage(work: Work, table: OpenTableName, options: OpenOptions): Promise<OpenPage> {
  const found = await ROWS[table](work, options);
  return { rows: found.flatMap(({ rows }) => rows), next: found.length < options.most ? null : found.at(-1)!.id };
}

const one = ({ id }: { readonly id: number }, row: OpenRow) => ({ id, rows: [row] });
const orNull = (text: string) => (text === '' ? null : text);
const iso = (moment: number | null) => (moment === null ? null : new Date(moment).toISOString());

function reportRow({ calledName, initial, done, mistake, onHold, words, saidBy, saidAt, ...row }: OpenReport): OpenRow {
  return {
    ...row,
    child: nameOf({ calledName, initial }),
    done: done === 1,
    mistake: mistake === 1,
    onHold: onHold === 1,
    words: orNull(words),
    saidBy: orNull(saidBy),
    saidAt: iso(saidAt),
  };
}

function goalRow({ id, childId, calledName, initial, school, content, closedOn, closedWhy, versions }: OpenGoal): OpenRow {
  const { skill, statement, measure, mostHelp, sessions, reviewOn } = goalSchema.parse(JSON.parse(content as string));
  const values = valuesOf(measure);
  return {
    ...{ id, childId, child: nameOf({ calledName, initial }), school },
    ...{ skill, statement, measure: measure.kind, mostHelp, sessions, reviewOn },
    from: values?.from ?? null,
    to: values?.to ?? null,
    of: measure.kind === 'count' ? measure.of : null,
    baselineOn: 'baselineOn' in measure ? measure.baselineOn : null,
    ...{ closedOn, closedWhy: orNull(closedWhy), versions },
  };
}

function measurementRow({ calledName, initial, note, ...row }: OpenMeasurement): OpenRow {
  return { ...row, child: nameOf({ calledName, initial }), note: orNull(note) };
}

function childRow({ id: _, allergies, mouthsThings, scissorsAllowed, hasPrinter, helpers, teacher, likes, ...row }: OpenChild): OpenRow {
  return {
    ...row,
    allergies: orNull((JSON.parse(allergies) as string[]).join('; ')),
    mouthsThings: mouthsThings === 1,
    scissorsAllowed: scissorsAllowed === 1,
    hasPrinter: hasPrinter === 1,
    helpers: orNull(helpers),
    teacher: orNull(teacher),
    likes: orNull(likes),
  };
}

function bagRows({ id, childId, calledName, initial, school, week, things, packedAt, handedAt, backAt }: OpenBag): OpenRow[] {
  const of = { id, childId, child: nameOf({ calledName, initial }), school, week };
  const times = { packedAt: iso(packedAt), handedAt: iso(handedAt), backAt: iso(backAt) };
  return (JSON.parse(things) as { thing: string; count: number; comesBack: boolean }[]).map(({ thing, count, comesBack }) => ({
    ...of,
    ...{ thing, count, comesBack: comesBack ?? false },
    ...times,
  }));
}
