/**
 * How many letters were added, left out, changed or swapped with a neighbor to make one word of another (optimal string alignment).
 * @returns 3 for anything from 3 on
 * @example lettersApart('beams', 'baems') // 1
 */
export function lettersApart(a: string, b: string): number {
  if (Math.abs(a.length - b.length) > 2) return 3;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, index) => index);
  for (let i = 1; i <= a.length; i += 1) {
    const row = [i];
    for (let j = 1; j <= b.length; j += 1) {
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      row[j] = Math.min(row[j - 1]! + 1, last[j]! + 1, last[j - 1]! + cost);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) row[j] = Math.min(row[j]!, before[j - 2]! + 1);
    }
    before = last;
    last = row;
  }
  return Math.min(3, last[b.length]!);
}

/** True where a word is another with one letter too many, one too few, or two neighbors swapped: the slips of a thumb that keep its letters. */
export function isSlipOf(word: string, meant: string): boolean {
  if (word.length < 4 || lettersApart(word, meant) !== 1) return false;
  return word.length !== meant.length || [...word].sort().join('') === [...meant].sort().join('');
}
