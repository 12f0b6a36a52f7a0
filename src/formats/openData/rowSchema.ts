import { z } from 'zod';
import type { OpenColumn, OpenKind, OpenTable } from './column';

/** Returns the columns that a key can read: those that name no one and hold no one's own words. */
export function columnsByKey({ columns }: OpenTable): OpenColumn[] {
  return columns.filter(({ isPersonal }) => !isPersonal);
}

/** A row as it leaves by key. */
export function rowSchema(table: OpenTable) {
  return z.strictObject(Object.fromEntries(columnsByKey(table).map((column) => [column.key, valueSchema(column)])));
}

const KINDS: { readonly [Kind in Exclude<OpenKind, readonly string[]>]: z.ZodType } = {
  text: z.string(),
  number: z.number(),
  'whole number': z.int(),
  'yes or no': z.boolean(),
  day: z.iso.date(),
  moment: z.iso.datetime(),
};

function valueSchema({ kind, meaning, mayBeEmpty }: OpenColumn): z.ZodType {
  const value = typeof kind === 'string' ? KINDS[kind] : z.enum(kind as [string, ...string[]]);
  return (mayBeEmpty ? value.nullable() : value).describe(meaning);
}

/** A page of rows: `next` is asked for with `after`, null on the last page. */
export function pageSchema(table: OpenTable) {
  return z.strictObject({
    table: z.literal(table.name),
    rows: z.array(rowSchema(table)),
    next: z.int().nullable().describe('value of “after” for the next page, null on the last page'),
  });
}

export const MOST_ROWS = 500;
export const pageOptionsSchema = z.object({
  after: z.coerce.number().int().min(0).default(0).describe('rows after this number: 0, or “next” of the page before'),
  most: z.coerce.number().int().min(1).max(MOST_ROWS).default(100).describe('so many rows at most'),
});
