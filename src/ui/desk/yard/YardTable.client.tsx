'use client';

import Link from 'next/link';
import { SILENT_DAYS } from '@/core/yard';
import { calendarDay } from '@/core/calendar';
import { SmallFlight } from '../../flight/FlightDrawing';
import { PracticeDots } from '../../flight/pips';
import { dayAndMonth, sinceDays, spanOfDays } from '../../shared/days';
import { words } from '../../shared/deskWords';
import type { DoseGiven } from '@/core/adherence';
import { adherenceHow, doseHow, percent, percentRange } from '../parts/figures';
import { adherenceOf, daysOf, doseOf, ENDED, type SheetRow, type YardSheet } from './yardSheet';

/** The caseload, a row a child. It is a part of its own for the scripts, so that they are told its rows as data and not as drawings. */
export function YardTable({ sheet }: { sheet: YardSheet }) {
  const [from, to] = sheet.span;
  return (
    <div className="overflow-x-auto">
      <table className="yard-table">
        <thead>
          <tr>
            <th className="w-[130px]">child</th>
            <th>steps now</th>
            <th style={{ width: Math.max(178, sheet.dayCount * 13) }}>{spanOfDays(calendarDay(from), calendarDay(to))}</th>
            <th className="w-[170px]">of the dose</th>
            <th className="w-[96px]">practiced</th>
            <th className="w-[86px]">last report</th>
          </tr>
        </thead>
        {sheet.groups.map((group) => (
          <tbody key={group.title ?? 'all'}>
            {group.title && (
              <tr>
                <th colSpan={6} className="pt-3 pb-1 text-left">
                  <span className="font-title">{group.title}</span> <span className="font-normal text-soft">{group.visitDays}</span>
                </th>
              </tr>
            )}
            {group.rows.map((row) => (
              <Row key={row.id} row={row} tasks={sheet.tasks} />
            ))}
          </tbody>
        ))}
      </table>
    </div>
  );
}

function Row({ row, tasks }: { row: SheetRow; tasks: YardSheet['tasks'] }) {
  const { since } = row;
  const silent = row.rest === undefined && (since === null || since >= SILENT_DAYS);
  const adherence = adherenceOf(row);
  const dose = doseOf(row);
  return (
    <tr data-row>
      <td>
        <Link href={`/children/${row.id}`} prefetch={false}>
          {row.name}
        </Link>
        {row.flights.some(([, , , , closed]) => closed) && <span className="block text-[12px] font-bold text-brick">something hurt</span>}
        {row.rest !== undefined && (
          <span className="block text-[12px] text-soft">
            {row.rest === ENDED ? 'the practice ended' : `rests until ${dayAndMonth(calendarDay(row.rest))}`}
          </span>
        )}
      </td>
      <td>
        {row.flights.map(([index, step, stepName, daysSpent, closed]) => {
          const { title, demands } = tasks[index]!;
          return (
            <SmallFlight
              key={index}
              flight={{ demands, daysSpent, currentStep: step, outcomes: [], closed: closed === 1 }}
              label={`${title}: step ${step} of ${demands.length}, ${stepName}${closed ? ', closed: something hurt' : ''}`}
            />
          );
        })}
        {row.flights.length === 0 && <span className="text-soft">no program yet</span>}
        {row.waits && (
          <Link
            href={`/rounds?at=${encodeURIComponent(row.waits[0]![1])}`}
            prefetch={false}
            className="inline-block pl-1 text-[13px] leading-6 font-normal underline"
          >
            {[...new Set(row.waits.map(([kind]) => words(`decisionKinds.${kind}`)))].join(', ')}
          </Link>
        )}
      </td>
      <td>
        <PracticeDots days={daysOf(row)} />
      </td>
      <td title={dose.share === null ? undefined : doseHow(dose, (index) => tasks[index]?.title)}>
        <DoseBar share={dose.share} />
      </td>
      <td title={adherenceHow(adherence)}>{percentRange(adherence)}</td>
      <td className={silent ? 'font-bold text-brick' : undefined}>{sinceDays(since)}</td>
    </tr>
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
      {percent(share)} %
    </>
  );
}
