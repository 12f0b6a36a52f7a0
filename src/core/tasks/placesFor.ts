import { isNeededAt, type Shape, type TaskContent } from './taskContent';
import type { LocalText } from '../text';

export const HANDS = ['left', 'right', 'unsettled'] as const;
export type Hand = (typeof HANDS)[number];
export type TableSide = 'left' | 'right' | 'middle' | 'far';

export interface PlacedThing {
  readonly what: LocalText;
  readonly side: TableSide;
  /** Its outer shape and how many lie there, where that is known: it is drawn as large as it is. */
  readonly shape?: Shape;
  readonly count?: number;
}

/**
 * The table map turned for a child's hand: the preferred side is the side of the working hand. Where the hand is not
 * settled things are offered in the middle, so that the child's own choice shows. Source: common practice, no source.
 * @param step where given, only what is needed at that step lies there, under its own name
 */
export function placesFor(task: Pick<TaskContent, 'tableMap' | 'materials'>, hand: Hand, step?: number): PlacedThing[] {
  return task.tableMap.flatMap((placed): PlacedThing[] => {
    const found = thingAt(task, placed, step);
    return found ? [{ ...found, side: sideOf(placed.place, hand) }] : [];
  });
}

/**
 * The table when the work is done: what was moved lies with what it was moved to. Null where nothing goes from one side to another.
 * @param places as they lie to begin with, what is moved first
 */
export function whenDone(places: readonly PlacedThing[]): PlacedThing[] | null {
  const [first] = places;
  const goal = places.find((place) => place.side !== first?.side);
  if (!first || !goal) return null;
  const moved = places.filter(({ side }) => side === first.side);
  return [...places.filter(({ side }) => side !== first.side), ...moved.map((place) => ({ ...place, side: goal.side }))];
}

/** A map of the table, and the hand that it is turned for. */
export interface TableMap {
  readonly hand: Hand;
  readonly places: readonly PlacedThing[];
}

/**
 * The maps that a family lays by. Where the arm is to go past the middle and the hand is not settled, things in the middle would
 * take the crossing away: there are two maps then, one for each hand, used in turn. Source: common practice, no source.
 */
export function mapsFor(task: Pick<TaskContent, 'skill' | 'tableMap' | 'materials'>, hand: Hand, step?: number): TableMap[] {
  const isBothWays = hand === 'unsettled' && task.skill === 'crossingMidline';
  return (isBothWays ? (['left', 'right'] as const) : [hand]).flatMap((each) => {
    const places = placesFor(task, each, step);
    return places.length === 0 ? [] : [{ hand: each, places }];
  });
}

function sideOf(place: TaskContent['tableMap'][number]['place'], hand: Hand): TableSide {
  if (place === 'middle' || place === 'far') return place;
  if (hand === 'unsettled') return place === 'preferredSide' ? 'middle' : 'far';
  return (place === 'preferredSide') === (hand === 'left') ? 'left' : 'right';
}

/** Returns the name of a thing on the map at a step, and its shape; null where nothing of it is needed there. */
function thingAt(
  { materials }: Pick<TaskContent, 'materials'>,
  { what, things }: TaskContent['tableMap'][number],
  step?: number,
): Omit<PlacedThing, 'side'> | null {
  if (!things) return { what };
  const needed = materials.find((material) => things.includes(material.id) && (step === undefined || isNeededAt(material, step)));
  if (step !== undefined && !needed) return null;
  const drawn = needed?.shape && { shape: needed.shape, count: needed.count };
  return { what: !needed || step === undefined || things.length === 1 ? what : needed.name, ...drawn };
}
