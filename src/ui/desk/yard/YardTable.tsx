import Link from 'next/link';
import { SILENT_DAYS, type YardGroup, type YardRow } from '@/core/yard';
import type { CalendarDay } from '@/core/calendar';
import { SmallFlight } from '../../flight/FlightDrawing';
import { PracticeDots } from '../../flight/pips';
import { sinceDays, spanOfDays } from '../../shared/days';
import type { DoseGiven } from '@/core/adherence';
import { adherenceHow, doseHow, percent, percentRange } from '../parts/figures';

/** The caseload, a row a child. */
export function YardTable({ days, groups }: { days: readonly CalendarDay[]; groups: readonly YardGroup[] }) {
  return (
    <table className="mt-2 w-full border-collapse">
      <thead>
        <tr>
          <th className="cell-head w-[130px]">child</th>
          <th className="cell-head">steps now</th>
          <th className="cell-head w-[178px]">{spanOfDays(days[0]!, days.at(-1)!)}</th>
          <th className="cell-head w-[170px]">of the dose</th>
          <th className="cell-head w-[96px]">practised</th>
          <th className="cell-head w-[86px]">last word</th>
        </tr>
      </thead>
      {groups.map((group) => (
        <tbody key={group.title ?? 'all'}>
          {group.title && (
            <tr>
              <th colSpan={6} className="pt-3 pb-1 text-left">
                <span className="font-title">{group.title}</span> <span className="font-normal text-soft">{group.visitDays}</span>
              </th>
            </tr>
          )}
          {group.rows.map((row) => (
            <Row key={row.childId} row={row} />
          ))}
        </tbody>
      ))}
    </table>
  );
}

function Row({ row }: { row: YardRow }) {
  const { practice } = row;
  const silent = row.daysSinceWord === null || row.daysSinceWord >= SILENT_DAYS;
  return (
    <tr data-row className="border-t border-line align-middle">
      <td className="py-[2px] font-semibold">
        <Link href={`/children/${row.childId}`} prefetch={false} className="hover:underline">
          {row.name}
        </Link>
      </td>
      <td className="py-[2px]">
        <span className="flex gap-[10px]">
          {row.flights.map((flight) => (
            <SmallFlight
              key={flight.taskId}
              flight={{ demands: flight.demands, daysSpent: flight.daysSpent, currentStep: flight.step, outcomes: [] }}
              label={`${flight.title.en}: step ${flight.step} of ${flight.demands.length}, ${flight.stepName.en}`}
            />
          ))}
          {row.flights.length === 0 && <span className="text-soft">no program yet</span>}
        </span>
      </td>
      <td>
        <PracticeDots days={practice.days} />
      </td>
      <td>
        <DoseBar
          dose={practice.dose}
          how={doseHow(practice.dose, (taskId) => row.flights.find((flight) => flight.taskId === taskId)?.title.en)}
        />
      </td>
      <td title={adherenceHow(practice.adherence)} className="tabular-nums">
        {percentRange(practice.adherence)}
      </td>
      <td className={silent ? 'font-bold text-brick' : ''}>{sinceDays(row.daysSinceWord)}</td>
    </tr>
  );
}

const BAR = 92;

function DoseBar({ dose, how }: { dose: DoseGiven; how: string }) {
  if (dose.share === null) return <span className="text-soft">–</span>;
  return (
    <span className="flex items-center gap-2 text-[13px] whitespace-nowrap text-soft" title={how}>
      <svg width={BAR + 2} height="9" aria-hidden="true">
        <rect x="0.5" y="0.5" width={BAR} height="8" fill="none" stroke="var(--color-soft)" strokeWidth="0.8" />
        <rect x="0.5" y="0.5" width={BAR * dose.share} height="8" fill="var(--color-green)" />
      </svg>
      {percent(dose.share)} %
    </span>
  );
}
