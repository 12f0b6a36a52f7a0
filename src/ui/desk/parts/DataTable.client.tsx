'use client';

import {
  createSortedRowModel,
  rowSortingFeature,
  sortFns,
  tableFeatures,
  useTable,
  type ColumnDef,
  type RowData,
} from '@tanstack/react-table';

const FEATURES = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel(), sortFns });
export type Columns<Row extends RowData> = readonly ColumnDef<typeof FEATURES, Row>[];

/** Rows that are sorted by a press on a heading; the first press of a column is what one looks for in it. */
export function DataTable<Row extends RowData>({ columns, rows, label }: { columns: Columns<Row>; rows: readonly Row[]; label: string }) {
  const table = useTable({ features: FEATURES, columns: columns as ColumnDef<typeof FEATURES, Row>[], data: rows as Row[] });
  return (
    <table className="w-full border-collapse" aria-label={label}>
      <thead>
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map((header) => {
              const order = header.column.getIsSorted();
              return (
                <th
                  key={header.id}
                  className="cell-head"
                  aria-sort={order === false ? undefined : order === 'asc' ? 'ascending' : 'descending'}
                >
                  {header.column.getCanSort() ? (
                    <button type="button" className="hover:text-ink" onClick={header.column.getToggleSortingHandler()}>
                      <table.FlexRender header={header} />
                      {order === 'asc' ? ' ↑' : order === 'desc' ? ' ↓' : ''}
                    </button>
                  ) : (
                    <table.FlexRender header={header} />
                  )}
                </th>
              );
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row) => (
          <tr key={row.id} data-row>
            {row.getAllCells().map((cell) => (
              <td key={cell.id} className="cell">
                <table.FlexRender cell={cell} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
