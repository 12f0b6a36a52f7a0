'use client';

interface Props<Fact extends string> {
  readonly headings: readonly string[];
  readonly columns: readonly (Fact | null)[];
  /** Facts that a column may hold, with their names. */
  readonly facts: readonly (readonly [Fact, string])[];
  readonly match: (columns: (Fact | null)[]) => void;
}

/** How each column of a list was matched; another match takes the fact from the column that had it. */
export function ColumnMatch<Fact extends string>({ headings, columns, facts, match }: Props<Fact>) {
  const choose = (place: number, fact: Fact | null) =>
    match(columns.map((each, index) => (index === place ? fact : each === fact ? null : each)));
  return (
    <>
      <h2 className="mt-4 text-[16px]">Columns</h2>
      <div className="mt-1 flex flex-wrap gap-x-5 gap-y-2">
        {headings.map((heading, place) => (
          <label key={place} className="block text-[14px]">
            <span className="block font-semibold">{heading || `column ${place + 1}`}</span>
            <select
              value={columns[place] ?? ''}
              onChange={(event) => choose(place, facts.find(([fact]) => fact === event.target.value)?.[0] ?? null)}
              className="field"
            >
              <option value="">Left out</option>
              {facts.map(([fact, name]) => (
                <option key={fact} value={fact}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </>
  );
}
