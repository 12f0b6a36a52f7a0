'use client';

import Link from 'next/link';
import { DataTable, type Columns } from '../parts/DataTable.client';

interface LoadRow {
  readonly id: number;
  readonly name: string;
  readonly role: string;
  readonly children: number;
  readonly overdue: number;
  readonly silent: number;
  readonly reportsThisWeek: number;
}

const COLUMNS: Columns<LoadRow> = [
  { accessorKey: 'name', header: 'who' },
  { accessorKey: 'role', header: 'role' },
  { accessorKey: 'children', header: 'leads' },
  { accessorKey: 'overdue', header: 'without a current program' },
  { accessorKey: 'silent', header: 'no report for a week' },
  { accessorKey: 'reportsThisWeek', header: 'reports in 7 days' },
  {
    id: 'handOver',
    header: '',
    cell: ({ row }) =>
      row.original.children > 0 && (
        <Link className="link" href={`/caseload/transfer?from=${row.original.id}`} prefetch={false}>
          Transfer
        </Link>
      ),
  },
];

/** Each caseload in figures; a press on a heading sorts. */
export function LoadTable({ rows }: { rows: readonly LoadRow[] }) {
  return <DataTable columns={COLUMNS} rows={rows} label="Caseloads" />;
}
