import { plain } from '@/core/text';

/** Which fact each heading tells: as it was matched before, else by its usual names; null where neither says. A fact is told by one column at most. */
export function matchColumns<Fact extends string>(
  headings: readonly string[],
  usual: Readonly<Record<Fact, readonly string[]>>,
  remembered: ReadonlyMap<string, string> = new Map(),
): (Fact | null)[] {
  const facts = Object.keys(usual) as Fact[];
  const taken = new Set<Fact>();
  return headings.map((heading) => {
    const key = headingKey(heading);
    const fact = facts.find((each) => each === remembered.get(key)) ?? facts.find((each) => usual[each].includes(key)) ?? null;
    if (fact === null || taken.has(fact)) return null;
    taken.add(fact);
    return fact;
  });
}

/**
 * Returns the key under which a heading is remembered; words in brackets only explain it.
 * @example headingKey(' Date of  Birth (MM/DD/YYYY): ') // 'date of birth'
 */
function headingKey(heading: string): string {
  return plain(heading)
    .replace(/\([^)]*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/\s*:\s*$/, '')
    .trim()
    .slice(0, 120);
}

/** Returns the headings to remember for the next list, with the fact of each. */
export function matchedHeadings<Fact extends string>(headings: readonly string[], columns: readonly (Fact | null)[]): Map<string, Fact> {
  return new Map(headings.flatMap((heading, place) => (columns[place] ? [[headingKey(heading), columns[place]] as const] : [])));
}

/** Returns a row's value in the column of a fact; null where the list has no such column. */
export function cellOf<Fact extends string>(cells: readonly string[], columns: readonly (Fact | null)[], fact: Fact): string | null {
  const place = columns.indexOf(fact);
  return place < 0 ? null : (cells[place] ?? '');
}
