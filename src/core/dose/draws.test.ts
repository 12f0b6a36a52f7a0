import fc from 'fast-check';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { callHands, repetitionsFrom, splitIntoCards, type CalledHand } from '.';
import { seededRandom } from '../random';

const chanceFrom = (seed: number) => {
  const generator = xoroshiro128plus(seed);
  return () => (generator.next() >>> 0) / 4_294_967_296;
};

/** Every row of calls with exactly so many for each hand and no longer run, by trying all. */
function allCalls(each: number, longestRun: number): string[] {
  const rows: string[] = [];
  const go = (row: string) => {
    if (row.length === 2 * each) return rows.push(row);
    for (const hand of ['L', 'R']) {
      const next = row + hand;
      if ([...next].filter((call) => call === hand).length > each) continue;
      if (next.endsWith(hand.repeat(longestRun + 1))) continue;
      go(next);
    }
  };
  go('');
  return rows;
}

/** Upper 0.1 % point of chi-square, by Wilson and Hilferty's approximation (1931; from memory). */
const chiSquareLimit = (freedom: number) => freedom * (1 - 2 / (9 * freedom) + 3.0902 * Math.sqrt(2 / (9 * freedom))) ** 3;

function chiSquare(counts: readonly number[], expected: number): number {
  return counts.reduce((sum, count) => sum + (count - expected) ** 2 / expected, 0);
}

const short = (row: readonly CalledHand[]) => row.map((hand) => (hand === 'left' ? 'L' : 'R')).join('');

describe('the hand caller', () => {
  it('calls each hand exactly so often, and never too often in a row', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 25 }), fc.integer({ min: 1, max: 6 }), fc.integer(), (each, longestRun, seed) => {
        const row = short(callHands(each, longestRun, chanceFrom(seed)));
        expect(row.replaceAll('R', '')).toHaveLength(each);
        expect(row).toHaveLength(2 * each);
        expect(row).not.toMatch(new RegExp(`L{${longestRun + 1}}|R{${longestRun + 1}}`));
      }),
      { seed: 17, numRuns: 200 },
    );
  });

  it('draws every fair row as likely as any other (chi-square, fixed seed)', () => {
    const rows = allCalls(4, 2);
    const counts = new Map(rows.map((row) => [row, 0]));
    const random = chanceFrom(2026);
    const draws = rows.length * 200;
    for (let draw = 0; draw < draws; draw += 1) {
      const row = short(callHands(4, 2, random));
      counts.set(row, counts.get(row)! + 1);
    }
    expect(chiSquare([...counts.values()], 200)).toBeLessThan(chiSquareLimit(rows.length - 1));
  });

  it('refuses numbers that no evening holds', () => {
    expect(() => callHands(0, 2, () => 0)).toThrow('each is 0');
    expect(() => callHands(26, 2, () => 0)).toThrow(RangeError);
    expect(() => callHands(5, 0, () => 0)).toThrow('longestRun is 0');
  });
});

/** Every row of cards that adds up, with its number of equal neighbours. */
function allCards(total: number, cards: number, least: number, most: number): { row: number[]; repeats: number }[] {
  if (cards === 0) return total === 0 ? [{ row: [], repeats: 0 }] : [];
  return Array.from({ length: most - least + 1 }, (_, index) => least + index).flatMap((value) =>
    allCards(total - value, cards - 1, least, most).map(({ row, repeats }) => ({
      row: [value, ...row],
      repeats: repeats + (row[0] === value ? 1 : 0),
    })),
  );
}

describe('the card splitter', () => {
  it('makes cards that add up to twenty-seven, so that 27 pieces are needed (common practice, no source)', () => {
    const cards = splitIntoCards(27, 9, 1, 6, chanceFrom(1))!;
    expect(cards.reduce((sum, card) => sum + card, 0)).toBe(27);
    expect(cards).toHaveLength(9);
    expect(cards.every((card) => card >= 1 && card <= 6)).toBe(true);
    expect(cards.some((card, index) => index > 0 && card === cards[index - 1])).toBe(false);
  });

  it('always adds up, with as few equal neighbours as enumeration finds possible', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 0, max: 3 }),
        fc.integer({ min: 1, max: 18 }),
        fc.integer(),
        (cards, least, spread, total, seed) => {
          const all = allCards(total, cards, least, least + spread);
          const drawn = splitIntoCards(total, cards, least, least + spread, chanceFrom(seed));
          if (all.length === 0) return expect(drawn).toBeNull();
          const fewest = Math.min(...all.map((each) => each.repeats));
          const known = all.find((each) => each.row.join() === drawn!.join());
          expect(known?.repeats).toBe(fewest);
        },
      ),
      { seed: 31, numRuns: 300 },
    );
  });

  it('draws evenly from the best rows (chi-square, fixed seed)', () => {
    const all = allCards(10, 4, 1, 4);
    const best = all.filter((each) => each.repeats === 0).map((each) => each.row.join());
    const counts = new Map(best.map((row) => [row, 0]));
    const random = chanceFrom(99);
    for (let draw = 0; draw < best.length * 150; draw += 1) {
      const row = splitIntoCards(10, 4, 1, 4, random)!.join();
      counts.set(row, counts.get(row)! + 1);
    }
    expect(chiSquare([...counts.values()], 150)).toBeLessThan(chiSquareLimit(best.length - 1));
  });

  it('gives none where none adds up, and refuses what is no number of cards', () => {
    expect(splitIntoCards(3, 4, 1, 6, () => 0)).toBeNull();
    expect(splitIntoCards(30, 4, 1, 6, () => 0)).toBeNull();
    expect(() => splitIntoCards(10, 0, 1, 6, () => 0)).toThrow('cards is 0');
    expect(() => splitIntoCards(10, 2, 5, 3, () => 0)).toThrow('most is 3');
  });
});

describe('cards at the ends of their ranges (B13)', () => {
  it('are dealt at once, whole and within bounds', () => {
    const cards = splitIntoCards(400, 30, 1, 200, seededRandom(5))!;
    expect([cards.length, cards.reduce((sum, card) => sum + card, 0)]).toEqual([30, 400]);
    expect(cards.every((card) => card >= 1 && card <= 200)).toBe(true);
  });
});

it('pieces that are used again ask for no number of repetitions (B12)', () => {
  expect(repetitionsFrom(10, { hands: 'each', piecesPerRepetition: 0, rounds: 1 })).toBeNull();
});
