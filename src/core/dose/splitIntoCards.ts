import type { Random } from '../random';
import { requireWhole } from '../whole';

const MOST_CARDS = 60;
const MOST_TOTAL = 400;

interface Best {
  readonly repeats: number;
  readonly ways: number;
}

/**
 * Cards with a number each, within [least, most], that add up to exactly `total`; no two neighbours are equal, or as few
 * as can be where that is impossible. Drawn evenly from all such rows of cards, which are counted by dynamic programming.
 * Check (common practice, no source): cards whose numbers add up to 27 need 27 pieces. Our own definition.
 * @param cards 1 to 60 · @param total 1 to 400 · @param least from 1, not above `most`
 * @returns null where no such row exists (total below cards × least or above cards × most)
 * @throws RangeError outside of these ranges.
 */
export function splitIntoCards(total: number, cards: number, least: number, most: number, random: Random): number[] | null {
  requireWhole('cards', cards, 1, MOST_CARDS);
  requireWhole('total', total, 1, MOST_TOTAL);
  requireWhole('least', least, 1, MOST_TOTAL);
  requireWhole('most', most, least, MOST_TOTAL);
  const table = countRows(total, cards, least, most);
  if (table.after(cards, total, 0).ways === 0) return null;
  const row: number[] = [];
  let sum = total;
  while (row.length < cards) {
    const last = row.at(-1) ?? 0;
    const left = cards - row.length;
    const { repeats, ways } = table.after(left, sum, last);
    let ticket = random() * ways;
    let chosen = 0;
    for (let value = least; value <= most; value += 1) {
      const rest = table.after(left - 1, sum - value, value);
      if (rest.repeats + (value === last ? 1 : 0) !== repeats) continue;
      chosen = value;
      ticket -= rest.ways;
      if (ticket < 0) break;
    }
    row.push(chosen);
    sum -= chosen;
  }
  return row;
}

/** The best that some cards with some sum can still come to, whatever card lies before them. */
interface Layer extends Best {
  /** How many first cards lead to the fewest repeats, and in how many ways one repeat more can be had. */
  readonly firsts: number;
  readonly waysWithOneMore: number;
}

const NOTHING: Best = { repeats: Infinity, ways: 0 };
const DONE: Best = { repeats: 0, ways: 1 };

/**
 * Fewest equal neighbours, and in how many ways, for each number of cards left, each sum left and each card before them:
 * counted from the last card on. What depends on the card before is only whether the first of the rest repeats it, so one
 * pass over the values serves all of them: cards × total × values steps.
 */
function countRows(total: number, cards: number, least: number, most: number) {
  const layers: (Layer | null)[][] = [[]];
  const after = (left: number, sum: number, last: number): Best => {
    if (left === 0) return sum === 0 ? DONE : NOTHING;
    const layer = layers[left]?.[sum];
    if (!layer) return NOTHING;
    if (last < least || last > most) return layer;
    const repeated = after(left - 1, sum - last, last);
    if (repeated.repeats !== layer.repeats) return layer;
    if (layer.firsts > 1) return { repeats: layer.repeats, ways: Math.max(0, layer.ways - repeated.ways) };
    return { repeats: layer.repeats + 1, ways: layer.waysWithOneMore + repeated.ways };
  };
  for (let left = 1; left <= cards; left += 1) {
    const layer: (Layer | null)[] = Array.from({ length: total + 1 }, () => null);
    for (let sum = left * least; sum <= Math.min(total, left * most); sum += 1) layer[sum] = layerOf(left, sum);
    layers.push(layer);
  }
  return { after };

  function layerOf(left: number, sum: number): Layer | null {
    let [repeats, ways, firsts, waysWithOneMore] = [Infinity, 0, 0, 0];
    for (let value = least; value <= most && value <= sum; value += 1) {
      const rest = after(left - 1, sum - value, value);
      if (rest.ways === 0 || rest.repeats > repeats + 1) continue;
      if (rest.repeats === repeats + 1) waysWithOneMore += rest.ways;
      else if (rest.repeats === repeats) [ways, firsts] = [ways + rest.ways, firsts + 1];
      else {
        waysWithOneMore = rest.repeats + 1 === repeats ? ways : 0;
        [repeats, ways, firsts] = [rest.repeats, rest.ways, 1];
      }
    }
    return firsts ? { repeats, ways, firsts, waysWithOneMore } : null;
  }
}
