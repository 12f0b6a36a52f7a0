import { z } from 'zod';
import { addDays, calendarDayInZone, calendarDaySchema, weekdayOf } from '@/core/calendar';
import { bagsOf, inTransaction, markBag, moveStock, packBag, setStock, unpackBag, type BagThing, type Work } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';
import { kitBags, type KitBag } from './viewKits';

const day = calendarDaySchema();
const weekSchema = z.object({ childId: z.coerce.number().int().positive(), week: day });
const bagSchema = weekSchema.extend({ version: z.coerce.number().int().positive() });

/** The bag that was looked at. @throws AppError notFound, notAllowed; staleVersion where another program went out since */
async function bagOf(work: Work, context: Context, actor: PersonActor, raw: unknown): Promise<KitBag> {
  const { childId, week, version } = parseInput(bagSchema, raw);
  const { child } = await requireChild(work, actor, childId, 'settleDecision');
  const monday = addDays(week, 1 - weekdayOf(week));
  const [bag] = await kitBags(work, [child], calendarDayInZone(context.now(), child.timeZone), monday);
  if (!bag) throw new AppError('notFound');
  if (bag.version !== version) throw new AppError('staleVersion', { expected: version, current: bag.version });
  return bag;
}

const thingsIn = ({ lines }: KitBag): BagThing[] =>
  lines.filter(({ standing }) => standing === 'pack').map(({ thing, count, kind }) => ({ thing, count, comesBack: kind === 'lasts' }));

/** A bag is packed: what is in it leaves the cupboard, once, however often it is said. @throws AppError notFound, notAllowed, staleVersion, invalid */
export async function packKit(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const bag = await bagOf(work, context, actor, raw);
    const things = thingsIn(bag);
    if (!(await packBag(work, { childId: bag.childId, week: bag.week, version: bag.version, things, by: actor.personId, at: now }))) return;
    await moveStock(work, things, 'out');
    await recordChanges(work, now, [entryOf(actor, now, [bag.childId], 'kit.packed', { version: bag.version })]);
  });
}

/** A bag that was not handed over yet is unpacked: its things are in the cupboard again. @throws AppError notFound, notAllowed, staleVersion, invalid */
export async function unpackKit(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { childId, week, version, bag } = await bagOf(work, context, actor, raw);
    if (!bag || !(await unpackBag(work, childId, week))) throw new AppError('notFound');
    await moveStock(work, bag.things, 'back');
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'kit.unpacked', { version })]);
  });
}

/** The bag went home. @throws AppError notFound, notAllowed, staleVersion, invalid */
export async function handOverKit(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { childId, week, version, bag } = await bagOf(work, context, actor, raw);
    if (!bag || !(await markBag(work, childId, week, now, 'handed_at'))) throw new AppError('notFound');
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'kit.handed', { version })]);
  });
}

/** An earlier bag came back: what lasts is in the cupboard again. @throws AppError notFound, notAllowed, invalid */
export async function kitCameBack(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId, week } = parseInput(weekSchema, raw);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    await requireChild(work, actor, childId, 'settleDecision');
    const back = (await bagsOf(work, [childId])).find((each) => each.week === week && each.handedAt !== null);
    if (!back || !(await markBag(work, childId, week, now, 'back_at'))) throw new AppError('notFound');
    await moveStock(
      work,
      back.things.filter(({ comesBack }) => comesBack),
      'back',
    );
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'kit.back', { version: back.version })]);
  });
}

const stockSchema = z.object({
  thing: z.string().regex(/^[a-z][a-z0-9-]{0,58}$/),
  inCupboard: z.coerce.number('notWhole').int('notWhole').min(0, 'negative').max(100_000, 'tooManyThings'),
  packSize: z.coerce.number('notWhole').int('notWhole').min(1, 'packOfOne').max(10_000, 'tooManyThings'),
});

/** Writes down how many of a thing are in the cupboard, and in what packs it is bought. @throws AppError invalid */
export async function countStock(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const stock = parseInput(stockSchema, raw);
  await inTransaction(context.db, (work) => setStock(work, { ...stock, by: actor.personId, at: context.now() }));
}
