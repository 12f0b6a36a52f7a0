'use client';

import Link from 'next/link';
import { useRef, useState, useTransition } from 'react';
import { REPORT_COLUMNS } from '@/core/reports';
import type { ReportsPreview, TakenReports } from '@/server/reports/importReports';
import { words } from '../../shared/deskWords';
import { ColumnMatch } from '../imports/ColumnMatch.client';
import { DateOrderField } from '../imports/DateOrderField.client';
import { PastedList, tableFaultWords } from '../imports/PastedList.client';
import { FaultNote } from '../parts/FaultNote';
import { FormField } from '../parts/FormField';
import { ENTRY_WAYS, type EntryWay } from '@/core/reports';
import type { ReportsOptions } from './entry';
import { ReportRows } from './ReportRows.client';

type Found = Extract<ReportsPreview, { ok: true }>;
type Taken = (TakenReports & { readonly ok: true }) | { readonly ok: false; readonly fault: string };

interface Props {
  readonly preview: (options: ReportsOptions) => Promise<ReportsPreview | { readonly words: string }>;
  readonly take: (options: ReportsOptions) => Promise<Taken>;
}

const COLUMNS = REPORT_COLUMNS.map((column) => [column, words(`reportColumns.${column}`)] as const);

/** Imports reports from a list: previewed row by row, then imported as a whole. */
export function ReportsImport({ preview, take }: Props) {
  const [text, setText] = useState('');
  const [found, setFound] = useState<Found | null>(null);
  const [way, setWay] = useState<EntryWay>('paper');
  const [fault, setFault] = useState<string | null>(null);
  const [taken, setTaken] = useState<TakenReports | null>(null);
  const [isWorking, start] = useTransition();
  // A person's choice counts at once, also while an earlier look is still running.
  const chosen = useRef<Pick<ReportsOptions, 'columns' | 'dateOrder'>>({});
  const look = (list: string, change: Pick<ReportsOptions, 'columns' | 'dateOrder'> = {}) => {
    chosen.current = { ...chosen.current, ...change };
    start(async () => {
      setFault(null);
      setTaken(null);
      const read = await preview({ ...chosen.current, text: list, way });
      if ('words' in read) return setFault(read.words);
      setFound(read.ok ? read : null);
      if (!read.ok) setFault(tableFaultWords(read.fault));
    });
  };
  /** Another list: what was chosen for the one before holds no more, unless its headings are the same. */
  const anew = (list: string) => {
    if (list.split('\n')[0] !== text.split('\n')[0]) chosen.current = {};
    setText(list);
    setFound(null);
  };
  const takeIn = () =>
    start(async () => {
      const answer = await take({ ...chosen.current, text, way });
      if (!answer.ok) return setFault(answer.fault);
      setTaken(answer);
      setFound(null);
      setText('');
    });
  const wrong = found?.rows.filter(({ findings }) => findings.length > 0).length ?? 0;
  const fresh = found?.rows.filter(({ findings, isThere }) => findings.length === 0 && !isThere).length ?? 0;
  const there = (found?.rows.length ?? 0) - wrong - fresh;
  return (
    <>
      <h1 className="text-[24px]">Import reports from a list</h1>
      <p className="max-w-[760px] text-soft">
        Copy the rows from your spreadsheet, headings included, and paste them here, or choose a CSV file. Each row is one task on one day
        of one student. Nothing is written until you have looked at every row.{' '}
        <a className="link" href="/reports/import/template">
          A template
        </a>
      </p>
      <PastedList text={text} isRead={found !== null} isWorking={isWorking} onText={anew} onLook={(list) => look(list)} />
      {fault && <FaultNote className="mt-3 max-w-[760px]">{fault}</FaultNote>}
      {taken && <TakenNote taken={taken} />}
      {found && (
        <>
          <div className="mt-4 flex flex-wrap items-end gap-x-6 gap-y-2">
            <DateOrderField order={found.dateOrder} onOrder={(dateOrder) => look(text, { dateOrder })} />
            <FormField label="Reported by">
              <select value={way} onChange={(event) => setWay(ENTRY_WAYS.find((each) => each === event.target.value)!)} className="field">
                {ENTRY_WAYS.map((each) => (
                  <option key={each} value={each}>
                    {words(`ways.${each}`)}
                  </option>
                ))}
              </select>
            </FormField>
          </div>
          <ColumnMatch headings={found.headings} columns={found.columns} facts={COLUMNS} match={(columns) => look(text, { columns })} />
          <ReportRows rows={found.rows} />
          <p className="mt-3 flex flex-wrap items-center gap-4">
            <button
              type="button"
              className="act act-main"
              disabled={isWorking || wrong > 0 || found.dateOrder === null || fresh === 0}
              onClick={takeIn}
            >
              Import {fresh} {fresh === 1 ? 'report' : 'reports'}
            </button>
            <span className={wrong > 0 || found.dateOrder === null ? 'font-semibold text-brick' : 'text-soft'}>
              {found.dateOrder === null
                ? 'First choose how the dates begin.'
                : wrong > 0
                  ? `${wrong} ${wrong === 1 ? 'row has' : 'rows have'} a problem. Fix the list above, or match the columns. Either all rows are imported, or none.`
                  : `${there} of ${found.rows.length} were imported before.`}
            </span>
          </p>
        </>
      )}
    </>
  );
}

function TakenNote({ taken: { added, there, closed } }: { taken: TakenReports }) {
  return (
    <p role="status" className="mt-3 max-w-[760px] border-l-4 border-green bg-green-tint px-3 py-2">
      {added} {added === 1 ? 'report is' : 'reports are'} imported.
      {there > 0 && ` ${there} of an earlier import ${there === 1 ? 'was' : 'were'} not changed.`}{' '}
      {closed && <strong className="text-brick">A comment may describe an injury, so a task is on hold. Check it in Review first. </strong>}
      <Link className="link" href="/reports">
        To Reports
      </Link>
    </p>
  );
}
