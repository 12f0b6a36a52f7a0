import { calendarDay, type CalendarDay, type Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

/** How many of a thing are in the cupboard, and in what packs it is bought. */
export interface Stock {
  readonly thing: string;
  readonly inCupboard: number;
  readonly packSize: number;
}

export async function stockOf(work: Work): Promise<Stock[]> {
  return tablesOf(work).select('SELECT thing, in_cupboard AS inCupboard, pack_size AS packSize FROM kit_stock ORDER BY thing');
}

export async function setStock(
  work: Work,
  { thing, inCupboard, packSize, by, at }: Stock & { readonly by: number; readonly at: Instant },
): Promise<void> {
  const tables = tablesOf(work);
  await tables.remove('kit_stock', { thing });
  await tables.insert('kit_stock', { thing, in_cupboard: inCupboard, pack_size: packSize, changed_by: by, changed_at: at });
}

/** Takes things out of the cupboard, or puts them back; what nobody counts is left alone, and nothing falls under 0. */
export async function moveStock(
  work: Work,
  things: readonly { readonly thing: string; readonly count: number }[],
  way: 'out' | 'back',
): Promise<void> {
  for (const { thing, count } of things) {
    const [row] = await tablesOf(work).select<{ inCupboard: number }>(
      'SELECT in_cupboard AS inCupboard FROM kit_stock WHERE thing = :thing FOR UPDATE',
      { thing },
    );
    if (!row) continue;
    await tablesOf(work).update('kit_stock', { in_cupboard: Math.max(0, row.inCupboard + (way === 'out' ? -count : count)) }, { thing });
  }
}

/** A thing in a packed bag. */
export interface BagThing {
  readonly thing: string;
  readonly count: number;
  readonly comesBack: boolean;
}

export interface Bag {
  readonly id: number;
  readonly childId: number;
  /** Its Monday. */
  readonly week: CalendarDay;
  /** The program that it was packed for. */
  readonly version: number;
  readonly things: readonly BagThing[];
  readonly packedBy: string;
  readonly packedAt: Instant;
  readonly handedAt: Instant | null;
  readonly backAt: Instant | null;
}

/** The bags of these children, the latest week first. */
export async function bagsOf(work: Work, childIds: readonly number[]): Promise<Bag[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<Omit<Bag, 'things' | 'week'> & { readonly things: unknown; readonly week: string }>(
    `SELECT b.id, b.child_id AS childId, b.week, b.version, b.things, p.name AS packedBy, b.packed_at AS packedAt, b.handed_at AS handedAt, b.back_at AS backAt
     FROM kit_bags b JOIN people p ON p.id = b.packed_by WHERE b.child_id IN (:childIds) ORDER BY b.child_id, b.week DESC`,
    { childIds },
  );
  return rows.map((row) => ({
    ...row,
    week: calendarDay(row.week),
    things: (typeof row.things === 'string' ? JSON.parse(row.things) : row.things) as BagThing[],
  }));
}

/** False where the bag of that week was packed already. */
export async function packBag(
  work: Work,
  bag: { childId: number; week: CalendarDay; version: number; things: readonly BagThing[]; by: number; at: Instant },
): Promise<boolean> {
  const { childId, week, version, things, by, at } = bag;
  const [known] = await tablesOf(work).select('SELECT id FROM kit_bags WHERE child_id = :childId AND week = :week FOR UPDATE', {
    childId,
    week,
  });
  if (known) return false;
  await tablesOf(work).insert('kit_bags', { child_id: childId, week, version, things: things as BagThing[], packed_by: by, packed_at: at });
  return true;
}

/** Only what did not go home yet. */
export async function unpackBag(work: Work, childId: number, week: CalendarDay): Promise<boolean> {
  return (await tablesOf(work).remove('kit_bags', { child_id: childId, week, handed_at: null })) > 0;
}

/** @returns false where it was said before, or there is no such bag */
export async function markBag(
  work: Work,
  childId: number,
  week: CalendarDay,
  at: Instant,
  mark: 'handed_at' | 'back_at',
): Promise<boolean> {
  return (await tablesOf(work).update('kit_bags', { [mark]: at }, { child_id: childId, week, [mark]: null })) > 0;
}
