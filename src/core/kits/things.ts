import type { Material } from '../tasks';

/** Use of a thing in a bag. Which is which: common practice, no source. */
export type ThingKind =
  /** Stays with the child for the week and comes back: tongs, pegs, boxes. */
  | 'lasts'
  /** Gone with each piece: paper, tiles, stickers. */
  | 'usedUp'
  /** Lasts for many sessions, and then it is empty: glue, tape, markers. */
  | 'runsOut'
  /** May break: a few more are packed. */
  | 'breaks'
  /** The house itself, clothes, water: nothing that travels in a bag. */
  | 'stays'
  /** Food: bought fresh by the family, never sent. */
  | 'food';

const STAYS = new Set(
  'clear-floor low-table route-things warm-water water soap-lather tray boots coat pants socks-loose socks-snug small-socks shirt-small button-vest snap-vest zip-vest old-vest gloves mittens lace-shoe long-cloth towel newspaper'.split(
    ' ',
  ),
);
const USED_UP = new Set(
  'paper card lined-paper index-card strips stickers big-stickers labels-1-in paper-shapes small-paper-tiles tissue-string paper-string bubble-film cloth-strips punched-bits textured-card envelope'.split(
    ' ',
  ),
);
/** In how many sessions one of it is used up. Rough figures of our own, no source. */
const RUNS_OUT: Readonly<Record<string, number>> = {
  'glue-stick': 40,
  'runny-glue': 40,
  tape: 30,
  marker: 60,
  crayon: 80,
  'short-crayon': 40,
  chalk: 15,
  'chalk-piece': 8,
  'play-dough': 20,
  clay: 15,
};
const BREAKS = new Set(['rubber-bands', 'hair-bands', 'hair-band', 'straw-tube', 'straw-bits']);
/** Spare share packed of things that break, one at least. */
export const SPARE_SHARE = 0.2;

export function kindOfThing({ id, hazards }: Pick<Material, 'id' | 'hazards'>): ThingKind {
  if (hazards.includes('food')) return 'food';
  if (STAYS.has(id)) return 'stays';
  if (USED_UP.has(id)) return 'usedUp';
  if (id in RUNS_OUT) return 'runsOut';
  return BREAKS.has(id) ? 'breaks' : 'lasts';
}

/** Sessions that one of a thing lasts for. */
export function sessionsOf(id: string): number {
  return RUNS_OUT[id] ?? Infinity;
}

/** True where a thing may come in a bag at all. */
export function mayTravel(material: Pick<Material, 'id' | 'hazards'>): boolean {
  const kind = kindOfThing(material);
  return kind !== 'stays' && kind !== 'food';
}
