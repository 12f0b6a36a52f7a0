'use client';

import { useWindowVirtualizer } from '@tanstack/react-virtual';
import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { CaseloadColumn } from '@/core/caseload';
import { calendarDay } from '@/core/calendar';
import { SmallTimeline } from '../../stepTimeline/TimelineDrawing';
import { PracticeDots } from '../../stepTimeline/pips';
import { dayAndMonth, sinceDays, spanOfDays } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { doseBySkill, type DoseGiven } from '@/core/adherence';
import { adherenceHow, doseHow, percent, percentRange, skillsInWords } from '../parts/figures';
import { COLUMN_WORDS } from './columnWords';
import { adherenceOf, daysOf, doseOf, ENDED, type SheetGroup, type SheetRow, type CaseloadSheet } from './caseloadSheet';

/** More rows than these are drawn as they come into sight. */
const DRAWN_AT_ONCE = 120;

/** The caseload, a row a child. It is a part of its own for the scripts, so that they are told its rows as data and not as drawings. */
export function CaseloadTable({ sheet }: { sheet: CaseloadSheet }) {
  const rows = sheet.groups.reduce((sum, group) => sum + group.rows.length, 0);
  if (rows > DRAWN_AT_ONCE) return <LongTable sheet={sheet} rows={rows} />;
  return (
    <Table sheet={sheet}>
      {sheet.groups.map((group) => (
        <tbody key={group.title ?? 'all'}>
          {group.title && <GroupRow group={group} span={sheet.columns.length + 1} />}
          {group.rows.map((row) => (
            <Row key={row.id} row={row} sheet={sheet} />
          ))}
        </tbody>
      ))}
    </Table>
  );
}

function Table({ sheet, rows, children }: { sheet: CaseloadSheet; rows?: number; children: React.ReactNode }) {
  return (
    <div className="overflow-x-auto">
      <table className="yard-table" aria-rowcount={rows && rows + 1}>
        <thead>
          <tr>
            <th className="w-[130px]">Student</th>
            {sheet.columns.map((column) => (
              <th key={column} className="first-letter:uppercase" style={{ width: widthOf(column, sheet) }}>
                {column === 'days' ? spanOfDays(calendarDay(sheet.span[0]), calendarDay(sheet.span[1])) : COLUMN_WORDS[column]}
              </th>
            ))}
          </tr>
        </thead>
        {children}
      </table>
    </div>
  );
}

function widthOf(column: CaseloadColumn, { dayCount }: CaseloadSheet): number | undefined {
  if (column === 'days') return Math.max(178, dayCount * 13);
  return { steps: undefined, dose: 170, skills: 250, practiced: 96, word: 86, ends: 112, review: 150, contact: 200 }[column];
}

const ROW_HEIGHT = 36;
/** Before a browser says how large it is: the rows of a usual window, so that the page is whole without scripts' help. */
const FIRST_WINDOW = { width: 1280, height: 1600 };

/** Hundreds of rows, of which those near the window are drawn; on paper all of them. */
function LongTable({ sheet, rows }: { sheet: CaseloadSheet; rows: number }) {
  const items = sheet.groups.flatMap((group) => [...(group.title ? [group] : []), ...group.rows]);
  const body = useRef<HTMLTableSectionElement>(null);
  const [top, setTop] = useState(0);
  const [isPrinting, setPrinting] = useState(false);
  useEffect(() => {
    setTop(body.current!.getBoundingClientRect().top + window.scrollY);
    const begin = () => flushSync(() => setPrinting(true));
    const end = () => setPrinting(false);
    window.addEventListener('beforeprint', begin);
    window.addEventListener('afterprint', end);
    return () => {
      window.removeEventListener('beforeprint', begin);
      window.removeEventListener('afterprint', end);
    };
  }, []);
  const virtual = useWindowVirtualizer({
    count: items.length,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
    scrollMargin: top,
    initialRect: FIRST_WINDOW,
  });
  const drawn = virtual.getVirtualItems();
  const columns = sheet.columns.length + 1;
  const all = isPrinting ? items.map((_, index) => index) : drawn.map(({ index }) => index);
  const before = isPrinting ? 0 : (drawn[0]?.start ?? top) - top;
  const after = isPrinting ? 0 : virtual.getTotalSize() - ((drawn.at(-1)?.end ?? top) - top);
  return (
    <>
      <WayToBothEnds toTop={() => window.scrollTo(0, 0)} toEnd={() => virtual.scrollToIndex(items.length - 1, { align: 'end' })} />
      <Table sheet={sheet} rows={rows}>
        <tbody ref={body}>
          <Space height={before} span={columns} />
          {all.map((index) => {
            const item = items[index]!;
            return 'rows' in item ? (
              <GroupRow key={`group ${item.title}`} group={item} span={columns} />
            ) : (
              <Row key={item.id} row={item} sheet={sheet} place={{ index, measure: virtual.measureElement }} />
            );
          })}
          <Space height={after} span={columns} />
        </tbody>
      </Table>
    </>
  );
}

/** The browser's own way to an end goes to where the end was when the key was pressed; the rows that it passes turn out higher or lower, and it misses. */
function WayToBothEnds({ toTop, toEnd }: { toTop: () => void; toEnd: () => void }) {
  return (
    <span className="sr-only">
      <button type="button" tabIndex={-1} data-key="Home" data-key-says="First row" onClick={toTop}>
        First row
      </button>
      <button type="button" tabIndex={-1} data-key="End" data-key-says="Last row" onClick={toEnd}>
        Last row
      </button>
    </span>
  );
}

function Space({ height, span }: { height: number; span: number }) {
  return height <= 0 ? null : (
    <tr aria-hidden="true">
      <td colSpan={span} style={{ height, padding: 0 }} />
    </tr>
  );
}

function GroupRow({ group, span }: { group: SheetGroup; span: number }) {
  return (
    <tr>
      <th colSpan={span} className="pt-3 pb-1 text-left">
        <span className="font-title">{group.title}</span> <span className="font-normal text-soft">{group.visitDays}</span>
      </th>
    </tr>
  );
}

interface RowProps {
  readonly row: SheetRow;
  readonly sheet: CaseloadSheet;
  /** Its place among hundreds, and what measures it. */
  readonly place?: { readonly index: number; readonly measure: (row: HTMLTableRowElement | null) => void };
}

function Row({ row, sheet, place }: RowProps) {
  return (
    <tr data-row ref={place?.measure} data-index={place?.index} aria-rowindex={place && place.index + 2}>
      <td className="of-child">
        <Link href={`/students/${row.id}`} prefetch={false}>
          {row.name}
        </Link>
        {row.timelines.some(([, , , , closed]) => closed) && <span className="block text-[12px] font-bold text-brick">something hurt</span>}
        {row.rest !== undefined && (
          <span className="block text-[12px] text-soft">
            {row.rest === ENDED ? 'home practice ended' : `paused until ${dayAndMonth(calendarDay(row.rest))}`}
          </span>
        )}
      </td>
      {sheet.columns.map((column) => CELLS[column](row, sheet))}
    </tr>
  );
}

const CELLS: Readonly<Record<CaseloadColumn, (row: SheetRow, sheet: CaseloadSheet) => React.ReactNode>> = {
  steps: (row, sheet) => (
    <td key="steps" className="of-steps">
      <Steps row={row} tasks={sheet.tasks} />
    </td>
  ),
  days: (row) => (
    <td key="days">
      <PracticeDots days={daysOf(row)} />
    </td>
  ),
  dose: (row, { tasks }) => {
    const dose = doseOf(row);
    return (
      <td key="dose" className="of-dose" title={dose.share === null ? undefined : doseHow(dose, (index) => tasks[index]?.title)}>
        <DoseBar share={dose.share} />
      </td>
    );
  },
  skills: (row, { tasks }) => (
    <td key="skills" className="text-[13px] leading-[17px]">
      {skillsInWords(doseBySkill(doseOf(row).tasks, ({ taskId }) => tasks[taskId]?.skill ?? null)) || '–'}
    </td>
  ),
  practiced: (row) => {
    const adherence = adherenceOf(row);
    return (
      <td key="practiced" title={adherenceHow(adherence)}>
        {percentRange(adherence)}
      </td>
    );
  },
  word: ({ since, isSilent }) => (
    <td key="word" className={isSilent ? 'font-bold text-brick' : undefined}>
      {sinceDays(since)}
    </td>
  ),
  ends: ({ ends }) => <td key="ends">{ends ? dayAndMonth(calendarDay(ends)) : '–'}</td>,
  review: ({ review }, { today }) => (
    <td key="review" className={review && review < today ? 'font-bold text-brick' : undefined}>
      {review ? `${dayAndMonth(calendarDay(review))}${review < today ? ', due' : ''}` : '–'}
    </td>
  ),
  contact: ({ contact }) => (
    <td key="contact" className="text-[13px] text-soft">
      {contact ?? '–'}
    </td>
  ),
};

function Steps({ row, tasks }: { row: SheetRow; tasks: CaseloadSheet['tasks'] }) {
  return (
    <>
      {row.timelines.map(([index, step, stepName, daysSpent, closed]) => {
        const { title, demands } = tasks[index]!;
        return (
          <SmallTimeline
            key={index}
            timeline={{ demands, daysSpent, currentStep: step, outcomes: [], closed: closed === 1 }}
            label={`${title}: step ${step} of ${demands.length}, ${stepName}${closed ? ', closed: something hurt' : ''}`}
          />
        );
      })}
      {row.timelines.length === 0 && <span className="text-soft">no program yet</span>}
      {row.waits && (
        <Link
          href={`/review?at=${encodeURIComponent(row.waits[0]![1])}`}
          prefetch={false}
          className="inline-block pl-1 text-[13px] leading-6 font-normal underline"
        >
          {[...new Set(row.waits.map(([kind]) => words(`decisionKinds.${kind}`)))].join(', ')}
        </Link>
      )}
    </>
  );
}

const BAR = 92;

function DoseBar({ share }: { share: DoseGiven['share'] }) {
  if (share === null) return '–';
  return (
    <>
      <svg width={BAR + 2} height="9" aria-hidden="true">
        <path className="whole" d={`M.5.5h${BAR}v8h-${BAR}z`} />
        <path className="given" d={`M.5.5h${Math.round(BAR * share)}v8H.5z`} />
      </svg>
      {percent(share)}%
    </>
  );
}
