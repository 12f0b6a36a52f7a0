/** With which hand a clip was filmed; `both` where the hands do different things and changing them over would tell it wrong. */
export const FILMED_HANDS = ['right', 'left', 'both'] as const;
export type FilmedHand = (typeof FILMED_HANDS)[number];

/**
 * How a clip is shown to a child: turned over where it was filmed with the other hand and nothing in it (letters, a zipper's side) would
 * come out wrong. A hand that has not settled sees it as it was filmed; the switch beside it turns it.
 */
export function isMirroredFor(
  { hand, mayMirror }: { readonly hand: FilmedHand; readonly mayMirror: boolean },
  childHand: 'left' | 'right' | 'unsettled',
): boolean {
  return mayMirror && hand !== 'both' && childHand !== 'unsettled' && hand !== childHand;
}
