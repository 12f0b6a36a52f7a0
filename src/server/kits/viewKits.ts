import { addDays, calendarDayInZone, weekdayOf, type CalendarDay } from '@/core/calendar';
import { factsOf, nameOf, type Child } from '@/core/students';
import { kitOf, preparedFor, purchaseOf, setUpByDay, sheetsFor, type KitLine, type Prepared } from '@/core/kits';
import { isActiveIn, type ProgramVersion } from '@/core/programs';
import type { LocalText } from '@/core/text';
import { bagsOf, childrenOf, currentVersions, inReading, stockOf, workplaceOf, type Bag, type Work } from '@/db';
import { withheldTasks } from '../programs/withheld';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';

export interface KitBag {
  readonly childId: number;
  readonly name: string;
  readonly version: number;
  /** The week's Monday; what is counted is from the later of it and the program's first day. */
  readonly week: CalendarDay;
  readonly from: CalendarDay;
  readonly to: CalendarDay;
  readonly lines: readonly KitLine[];
  readonly prepared: readonly Prepared[];
  readonly setUp: readonly { readonly day: CalendarDay; readonly minutes: number }[];
  readonly bag: Bag | null;
  /** True where another program went out since it was packed. */
  readonly isOlder: boolean;
  /** An earlier bag that has not come back, where one is out. */
  readonly out: Bag | null;
}

/** A thing over the bags of a school. */
export interface KitThing {
  readonly thing: string;
  readonly name: LocalText;
  readonly kind: KitLine['kind'];
  /** Still to be packed. */
  readonly toPack: number;
  readonly packed: number;
  /** Null where nobody counts it. */
  readonly inCupboard: number | null;
  readonly packSize: number;
  readonly short: number;
  readonly packs: number;
  /** Sheets that it is cut from, where it is; null where it is not. */
  readonly sheets: number | null;
}

export interface KitsView {
  readonly school: string;
  readonly schools: readonly string[];
  readonly week: CalendarDay;
  /** Children of the school without a program in that week. */
  readonly without: number;
  readonly bags: readonly KitBag[];
  readonly things: readonly KitThing[];
}

/** From Thursday on one packs for the week that comes. */
const LAST_PACKING_DAY = 3;

/** The Monday of the week that one packs for on a day. */
export function packingWeek(today: CalendarDay): CalendarDay {
  const monday = addDays(today, 1 - weekdayOf(today));
  return weekdayOf(today) <= LAST_PACKING_DAY ? monday : addDays(monday, 7);
}

/**
 * Lists the things to pack for the students of a school in a week, less those at home. Assistants pack, too.
 * @param week any day of it; the week that one packs for now where it is null
 */
export async function viewKits(context: Context, actor: PersonActor, wanted: string, week: CalendarDay | null): Promise<KitsView> {
  const view = await inReading(context.db, async (work): Promise<KitsView> => {
    const own = (await childrenOf(work, actor.personId)).map(({ child }) => child);
    const schools = [...new Set(own.map((child) => child.school))].sort();
    const school = schools.find((each) => each === wanted) ?? schools[0] ?? '';
    const children = own.filter((child) => child.school === school).sort((one, other) => nameOf(one).localeCompare(nameOf(other)));
    const { timeZone } = await workplaceOf(work);
    const today = calendarDayInZone(context.now(), timeZone);
    const monday = week ? addDays(week, 1 - weekdayOf(week)) : packingWeek(today);
    const bags = await kitBags(work, children, today, monday);
    const stock = new Map((await stockOf(work)).map((each) => [each.thing, each]));
    return { school, schools, week: monday, without: children.length - bags.length, bags, things: thingsOver(bags, stock) };
  });
  await context.looks.note(
    entryOf(
      actor,
      context.now(),
      view.bags.map(({ childId }) => childId),
      'child.viewed',
    ),
  );
  return view;
}

/** The bags of children who practice in a week: what each holds, and whether it was packed. */
export async function kitBags(work: Work, children: readonly Child[], today: CalendarDay, week: CalendarDay): Promise<KitBag[]> {
  const ids = children.map(({ id }) => id);
  const versions = await currentVersions(work, ids);
  const packed = await bagsOf(work, ids);
  const running = children.map((child) => ({ child, version: versions.get(child.id) ?? null }));
  const withheld = await withheldTasks(work, running, today);
  return children.flatMap((child) => {
    const version = versions.get(child.id);
    const sunday = addDays(week, 6);
    if (!version || !isActiveIn(version, week, sunday)) return [];
    const own = packed.filter(({ childId }) => childId === child.id);
    // Something hurt at it, or a safety card about it waits: nothing for it goes home until a person has decided.
    const tasks = version.tasks.filter(({ taskId }) => !withheld.get(child.id)!.has(taskId));
    return [kitBag(child, { ...version, tasks }, today, own, week)];
  });
}

function kitBag(child: Child, version: ProgramVersion, today: CalendarDay, bags: readonly Bag[], week: CalendarDay): KitBag {
  const { startsOn, endsOn, tasks, number } = version;
  const sunday = addDays(week, 6);
  const from = startsOn > week ? startsOn : week;
  const to = endsOn < sunday ? endsOn : sunday;
  const out = bags.find((each) => each.week < week && each.handedAt !== null && each.backAt === null) ?? null;
  // Durable things from an earlier bag are still at home.
  const there = (out?.things ?? []).filter(({ comesBack }) => comesBack).map(({ thing }) => thing);
  const facts = factsOf(child, today);
  const lines = kitOf({ child: { ...facts, materialsAtHome: [...facts.materialsAtHome, ...there] }, tasks, from, to });
  const bag = bags.find((each) => each.week === week) ?? null;
  return {
    childId: child.id,
    name: nameOf(child),
    version: number,
    week,
    from,
    to,
    lines,
    prepared: preparedFor(lines),
    setUp: setUpByDay(tasks, from, to),
    bag,
    isOlder: bag !== null && bag.version !== number,
    out: there.length > 0 ? out : null,
  };
}

function thingsOver(
  bags: readonly KitBag[],
  stock: ReadonlyMap<string, { readonly inCupboard: number; readonly packSize: number }>,
): KitThing[] {
  const things = new Map<string, Omit<KitThing, 'inCupboard' | 'packSize' | 'short' | 'packs' | 'sheets'> & { sizeMm: number | null }>();
  for (const { lines, bag } of bags)
    for (const { thing, name, kind, count, standing, sizeMm } of lines) {
      const known = things.get(thing) ?? { thing, name, kind, toPack: 0, packed: 0, sizeMm };
      const isPacked = bag !== null;
      const packs = standing === 'pack' ? count : 0;
      things.set(thing, { ...known, toPack: known.toPack + (isPacked ? 0 : packs), packed: known.packed + (isPacked ? packs : 0) });
    }
  return [...things.values()]
    .map(({ sizeMm, ...each }): KitThing => {
      const kept = stock.get(each.thing);
      const packSize = kept?.packSize ?? 1;
      return {
        ...each,
        inCupboard: kept?.inCupboard ?? null,
        packSize,
        ...purchaseOf(each.toPack, kept?.inCupboard ?? 0, packSize),
        sheets: sheetsFor(each.thing, each.toPack, sizeMm),
      };
    })
    .sort((one, other) => one.kind.localeCompare(other.kind) || one.name.en.localeCompare(other.name.en));
}
