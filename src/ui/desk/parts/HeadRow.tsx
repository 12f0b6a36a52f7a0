/** The head of a table: a word over each column. */
export function HeadRow({ heads }: { heads: readonly string[] }) {
  return (
    <thead>
      <tr>
        {heads.map((head) => (
          <th key={head} className="cell-head first-letter:uppercase">
            {head}
          </th>
        ))}
      </tr>
    </thead>
  );
}
