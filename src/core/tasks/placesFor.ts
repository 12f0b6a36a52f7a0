import type { TaskContent } from './taskContent';
import type { LocalText } from '../text';

export const HANDS = ['left', 'right', 'unsettled'] as const;
export type Hand = (typeof HANDS)[number];
export type TableSide = 'left' | 'right' | 'middle' | 'far';

export interface PlacedThing {
  readonly what: LocalText;
  readonly side: TableSide;
}

/**
 * The table map turned for a child's hand: the preferred side is the side of the working hand. Where the hand is not
 * settled things are offered in the middle, so that the child's own choice shows. Source: common practice, no source.
 */
export function placesFor(task: Pick<TaskContent, 'tableMap'>, hand: Hand): PlacedThing[] {
  return task.tableMap.map(({ what, place }) => {
    if (place === 'middle' || place === 'far') return { what, side: place };
    if (hand === 'unsettled') return { what, side: place === 'preferredSide' ? 'middle' : 'far' };
    const onLeft = (place === 'preferredSide') === (hand === 'left');
    return { what, side: onLeft ? 'left' : 'right' };
  });
}
