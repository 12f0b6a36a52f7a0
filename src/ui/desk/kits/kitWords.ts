import type { KitLine, ThingKind } from '@/core/kits';
import type { KitBag, KitsView } from '@/server/kits/viewKits';

export const KINDS: Readonly<Record<ThingKind, string>> = {
  lasts: 'Lend and return',
  usedUp: 'Single use',
  breaks: 'May break',
  runsOut: 'Refill',
  stays: 'Stays at home (not sent)',
  food: 'Food, bought by the family',
};
export const KIND_ORDER: readonly ThingKind[] = ['lasts', 'usedUp', 'breaks', 'runsOut', 'stays', 'food'];

/** Writes out the arithmetic of a line. */
export function countWords({ kind, reasons, count }: KitLine): string {
  const each = reasons.map((reason) =>
    kind === 'usedUp' || kind === 'runsOut'
      ? `${reason.title.en}, step ${reason.step}: ${reason.each} × ${reason.sessions} days`
      : `${reason.title.en}, step ${reason.step}: ${reason.each}`,
  );
  const how = {
    usedUp: 'added up',
    runsOut: 'by how long one lasts',
    breaks: 'the most, and spares',
    lasts: 'the most at once',
    stays: '',
    food: '',
  }[kind];
  return `${each.join('; ')}${how && `; ${how}: ${count}`}`;
}

const HEADINGS = ['child', 'from', 'until', 'thing', 'count', 'standing', 'in place of', 'for', 'packed'];

/** Every line of every bag. */
export function kitsFile({ bags }: Pick<KitsView, 'bags'>) {
  const rows = bags.flatMap(({ name, from, to, lines, bag }) =>
    lines.map((line) => [
      name,
      from,
      to,
      line.name.en,
      String(line.count),
      STANDINGS[line.standing],
      line.instead?.en ?? '',
      line.reasons.map(({ title, step }) => `${title.en} ${step}`).join('; '),
      bag ? 'yes' : '',
    ]),
  );
  return { headings: HEADINGS, rows };
}

const LIST_HEADINGS = ['kind', 'thing', 'needed', 'supplies on hand', 'short', 'packs', 'pack of', 'sheets'];

/** The shopping list: what is short, by kind; an empty cell where nobody counts the cupboard. */
export function shoppingFile({ things }: Pick<KitsView, 'things'>) {
  const rows = shortThings(things).map(({ kind, name, toPack, inCupboard, short, packs, packSize, sheets }) => [
    KINDS[kind],
    name.en,
    ...[toPack, inCupboard, short, packs, packSize, sheets].map((each) => (each === null ? '' : String(each))),
  ]);
  return { headings: LIST_HEADINGS, rows };
}

export const shortThings = (things: KitsView['things']) => things.filter(({ short }) => short > 0);

export const STANDINGS: Readonly<Record<KitLine['standing'], string>> = {
  pack: 'to pack',
  atHome: 'at home',
  made: 'family makes it',
  ask: 'ask the family',
  refused: 'not safe for this student',
};

export function bagState({ bag }: Pick<KitBag, 'bag'>): 'open' | 'packed' | 'handed' | 'back' {
  return bag === null ? 'open' : bag.backAt !== null ? 'back' : bag.handedAt !== null ? 'handed' : 'packed';
}
