'use client';

import type { ReportsPreviewRow } from '@/server/reports/importReports';
import { dayAndMonth } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { HeadRow } from '../parts/HeadRow';

/** Each row of a list as it would be filed, or what stands in its way. */
export function ReportRows({ rows }: { rows: readonly ReportsPreviewRow[] }) {
  return (
    <>
      <h2 className="mt-4 text-[16px]">Rows</h2>
      <div className="overflow-x-auto">
        <table className="w-full max-w-[1200px] border-collapse">
          <HeadRow heads={['row', 'student', 'task', 'step', 'date', 'report', '']} />
          <tbody>
            {rows.map((row) => (
              <tr key={row.number} data-row>
                <td className="cell text-soft">{row.number}</td>
                <td className="cell font-semibold whitespace-nowrap">{row.child || '–'}</td>
                <td className="cell">{row.task || '–'}</td>
                <td className="cell">{row.step ?? '–'}</td>
                <td className="cell whitespace-nowrap">{row.doneOn ? dayAndMonth(row.doneOn) : '–'}</td>
                <td className="cell text-soft">{toldWords(row.told)}</td>
                <td className="cell">
                  {row.isThere && <span className="text-soft">received before, not changed</span>}
                  {row.closes && (
                    <span className="block font-semibold text-brick">injury report: puts the task on hold until someone reviews it</span>
                  )}
                  {row.findings.map((finding) => (
                    <span key={`${finding.column} ${finding.code}`} className="block font-semibold text-brick">
                      {findingWords(finding)}
                    </span>
                  ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

function toldWords({
  done,
  left,
  right,
  amount,
  minutes,
  help,
  effort,
  stopReason,
  words: said,
  saidBy,
}: ReportsPreviewRow['told']): string {
  const counted = left === null && right === null && amount === null;
  const parts = [
    ...(done ? (counted ? ['done, amount not reported'] : []) : ['not done']),
    ...(left === null ? [] : [`left ${left}`]),
    ...(right === null ? [] : [`right ${right}`]),
    ...(amount === null ? [] : [String(amount)]),
    ...(minutes === null ? [] : [`${minutes} min`]),
    ...(help ? [`help: ${words(`helps.${help}`)}`] : []),
    ...(effort ? [words(`efforts.${effort}`)] : []),
    ...(stopReason ? [words(`stops.${stopReason}`)] : []),
    ...(said ? [`“${said}”`] : []),
    ...(saidBy ? [saidBy] : []),
  ];
  return parts.join(', ');
}

function findingWords({ column, code, cell }: ReportsPreviewRow['findings'][number]): string {
  return words(`reportFindings.${code}` as 'reportFindings.missing', { column: words(`reportColumns.${column}`), cell });
}
