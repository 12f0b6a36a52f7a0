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
  const values = Array.from({ length: most - least + 1 }, (_, index) => least + index);
  const memory = new Map<string, Best>();
  // Fewest equal neighbours, and in how many ways, for the cards that are left after `last`.
  const best = (left: number, sum: number, last: number): Best => {
    if (left === 0) return sum === 0 ? { repeats: 0, ways: 1 } : { repeats: Infinity, ways: 0 };
    if (sum < left * least || sum > left * most) return { repeats: Infinity, ways: 0 };
    const key = `${left},${sum},${last}`;
    const known = memory.get(key);
    if (known) return known;
    const answers = values.map((value) => withValue(best(left - 1, sum - value, value), value === last));
    const repeats = Math.min(...answers.map((answer) => answer.repeats));
    const ways = answers.reduce((count, answer) => (answer.repeats === repeats ? count + answer.ways : count), 0);
    const answer = { repeats, ways };
    memory.set(key, answer);
    return answer;
  };
  if (best(cards, total, 0).ways === 0) return null;
  const row: number[] = [];
  let sum = total;
  while (row.length < cards) {
    const last = row.at(-1) ?? 0;
    const left = cards - row.length;
    const { repeats, ways } = best(left, sum, last);
    let ticket = random() * ways;
    const open = values.filter((value) => withValue(best(left - 1, sum - value, value), value === last).repeats === repeats);
    const value = open.find((candidate) => (ticket -= best(left - 1, sum - candidate, candidate).ways) < 0) ?? open.at(-1)!;
    row.push(value);
    sum -= value;
  }
  return row;
}

const withValue = (rest: Best, repeated: boolean): Best => ({ repeats: rest.repeats + (repeated ? 1 : 0), ways: rest.ways });
