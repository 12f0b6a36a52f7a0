import type { Random } from '../random';
import { requireWhole } from '../whole';

export type CalledHand = 'left' | 'right';

/** Up to here the number of rows is a whole number that a double holds exactly. */
const MOST_EACH = 25;

/**
 * In how many ways `left` and `right` calls can follow a run of `run` calls of the same hand, no run longer than
 * `longestRun`. Counted by dynamic programming.
 */
function counter(longestRun: number) {
  const memory = new Map<string, number>();
  const count = (same: number, other: number, run: number): number => {
    if (same === 0 && other === 0) return 1;
    const key = `${same},${other},${run}`;
    const known = memory.get(key);
    if (known !== undefined) return known;
    const going = same > 0 && run < longestRun ? count(same - 1, other, run + 1) : 0;
    const turning = other > 0 ? count(other - 1, same, 1) : 0;
    memory.set(key, going + turning);
    return going + turning;
  };
  return count;
}

/**
 * A fair caller of hands: a row with exactly `each` calls for each hand and no run longer than `longestRun`, every such
 * row as likely as any other. Our own definition; checked against enumeration.
 * @param each 1 to 25 · @param longestRun 1 to 25
 * @throws RangeError outside of these.
 */
export function callHands(each: number, longestRun: number, random: Random): CalledHand[] {
  requireWhole('each', each, 1, MOST_EACH);
  requireWhole('longestRun', longestRun, 1, MOST_EACH);
  const count = counter(longestRun);
  const row: CalledHand[] = [random() < 0.5 ? 'left' : 'right'];
  let [same, other, run] = [each - 1, each, 1];
  while (same + other > 0) {
    const last = row.at(-1)!;
    const going = same > 0 && run < longestRun ? count(same - 1, other, run + 1) : 0;
    const turning = other > 0 ? count(other - 1, same, 1) : 0;
    if (random() * (going + turning) < going) {
      row.push(last);
      [same, run] = [same - 1, run + 1];
    } else {
      row.push(last === 'left' ? 'right' : 'left');
      [same, other, run] = [other - 1, same, 1];
    }
  }
  return row;
}
