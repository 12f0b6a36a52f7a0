import Link from 'next/link';
import { SILENT_DAYS, type YardFilter, type YardGroup, type YardRow, type YardSort, type YardWish } from '@/core/caseload';
import type { CalendarDay } from '@/core/calendar';
import { SmallFlight } from '../flight/FlightDrawing';
import { PracticeDots } from '../flight/pips';
import { sinceDays, spanOfDays } from '../shared/days';
import { adherenceHow, percentRange } from './figures';
import { RowKeys } from './RowKeys.client';
import { SearchBox } from './SearchBox.client';

export interface YardProps {
  readonly view: {
    readonly today: CalendarDay;
    readonly days: readonly CalendarDay[];
    readonly groups: readonly YardGroup[];
    readonly schools: readonly string[];
    readonly childCount: number;
    readonly withWordThisWeek: number;
    readonly silent: number;
  };
  readonly wish: YardWish;
}

const FILTER_WORDS: Record<YardFilter, string> = { everyone: 'everyone', silent: `silent ${SILENT_DAYS} days`, struggling: 'partly or not done', ending: 'ending within a week' };
const SORT_WORDS: Record<YardSort, string> = { name: 'name', word: 'longest silent', practised: 'least practised', dose: 'least of the dose' };

export function YardScreen({ view, wish }: YardProps) {
  const shown = view.groups.reduce((sum, group) => sum + group.rows.length, 0);
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="text-[24px]">{view.childCount} children</h1>
        <p className="text-soft">
          {view.withWordThisWeek} with word this week · {view.silent} silent for a week or longer{shown !== view.childCount && ` · ${shown} shown`}
        </p>
        <SearchBox value={wish.search} />
      </div>
      <Wishes wish={wish} schools={view.schools} />
      <RowKeys />
      <table className="mt-2 w-full border-collapse">
        <thead>
          <tr>
            <th className="cell-head w-[130px]">child</th>
            <th className="cell-head">steps now</th>
            <th className="cell-head w-[178px]">
              {spanOfDays(view.days[0]!, view.days.at(-1)!)}
            </th>
            <th className="cell-head w-[170px]">given / asked</th>
            <th className="cell-head w-[96px]">practised</th>
            <th className="cell-head w-[86px]">last word</th>
          </tr>
        </thead>
        {view.groups.map((group) => (
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
      {shown === 0 && <p className="mt-6 text-soft">Nobody fits. Show everyone, or search for less.</p>}
      <p className="mt-6 text-[13px] text-soft">
        Practised is a range: known done ÷ planned … (known done + no word) ÷ planned. No word is not the same as not done. Full disc: all done · half disc: partly · bar: said not done ·
        dot: no word.
      </p>
    </>
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
        <DoseBar given={practice.amountGiven} asked={practice.amountAsked} />
      </td>
      <td title={adherenceHow(practice.adherence)} className="tabular-nums">
        {percentRange(practice.adherence)}
      </td>
      <td className={silent ? 'font-bold text-brick' : ''}>{sinceDays(row.daysSinceWord)}</td>
    </tr>
  );
}

const BAR = 92;

function DoseBar({ given, asked }: { given: number; asked: number }) {
  if (asked === 0) return <span className="text-soft">–</span>;
  const share = Math.min(1, given / asked);
  return (
    <span className="flex items-center gap-2 text-[13px] whitespace-nowrap text-soft" title={`${given} repetitions, minutes and pieces reported of ${asked} asked in 14 days`}>
      <svg width={BAR + 2} height="9" aria-hidden="true">
        <rect x="0.5" y="0.5" width={BAR} height="8" fill="none" stroke="var(--color-soft)" strokeWidth="0.8" />
        <rect x="0.5" y="0.5" width={BAR * share} height="8" fill="var(--color-green)" />
      </svg>
      {given}/{asked}
    </span>
  );
}

function Wishes({ wish, schools }: { wish: YardWish; schools: readonly string[] }) {
  const address = (change: Partial<Record<'show' | 'sort' | 'school' | 'group', string>>) => {
    const parts = { show: wish.filter, sort: wish.sort, school: wish.school ?? '', group: wish.bySchool ? '' : 'none', search: wish.search, ...change };
    const kept = Object.entries(parts).filter(([name, value]) => value && !(name === 'show' && value === 'everyone') && !(name === 'sort' && value === 'name'));
    return `/yard?${new URLSearchParams(kept)}`;
  };
  const choice = (href: string, text: string, here: boolean) => (
    <Link key={text} href={href} prefetch={false} aria-current={here ? 'true' : undefined} className="text-soft hover:text-ink aria-[current]:font-bold aria-[current]:text-ink aria-[current]:underline aria-[current]:underline-offset-4">
      {text}
    </Link>
  );
  return (
    <div className="mt-2 flex flex-wrap gap-x-8 gap-y-1 text-[14px]">
      <span className="flex gap-3">
        show {(Object.keys(FILTER_WORDS) as YardFilter[]).map((filter) => choice(address({ show: filter }), FILTER_WORDS[filter], wish.filter === filter))}
      </span>
      <span className="flex gap-3">
        first {(Object.keys(SORT_WORDS) as YardSort[]).map((sort) => choice(address({ sort }), SORT_WORDS[sort], wish.sort === sort))}
      </span>
      <span className="flex gap-3">
        {choice(address({ school: '' }), 'all schools', wish.school === null)}
        {schools.map((school) => choice(address({ school }), school, wish.school === school))}
      </span>
      <span className="flex gap-3">{choice(address({ group: wish.bySchool ? 'none' : '' }), wish.bySchool ? 'in one list' : 'by school', false)}</span>
    </div>
  );
}
