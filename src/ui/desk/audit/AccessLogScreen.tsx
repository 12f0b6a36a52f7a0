import Link from 'next/link';
import { nameOf } from '@/core/students';
import type { AccessLogView, AccessLogQuery } from '@/server/audit/viewAccessLog';
import { longDay, timeIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { ChoiceLink } from '../parts/ChoiceLink';
import { HeadRow } from '../parts/HeadRow';

const KINDS = [
  ['all', 'everything'],
  ['looks', 'looks'],
  ['changes', 'changes'],
] as const;

/** Shows who looked at a student's record, and who changed what: by day and person. */
export function AccessLogScreen({ view, options }: { view: AccessLogView; options: AccessLogQuery }) {
  const { child, days, people } = view;
  const address = (change: Partial<AccessLogQuery>) => {
    const { kind, who } = { ...options, ...change };
    return `/students/${child.id}/access-log?${new URLSearchParams({ ...(kind !== 'all' && { show: kind }), ...(who && { who }) })}`;
  };
  const choice = (href: string, says: string, isHere: boolean) => (
    <ChoiceLink key={says} href={href} isHere={isHere}>
      {says}
    </ChoiceLink>
  );
  return (
    <>
      <h1 className="text-[24px]">
        <Link href={`/students/${child.id}`} prefetch={false} className="hover:underline">
          {nameOf(child)}
        </Link>{' '}
        <span className="font-text text-[16px] font-normal text-soft">The access log: who opened or changed which record</span>
      </h1>
      <p className="mt-2 flex flex-wrap gap-x-6 gap-y-1 text-[14px]">
        <span className="flex gap-3">Show {KINDS.map(([kind, says]) => choice(address({ kind }), says, options.kind === kind))}</span>
        <span className="flex gap-3">
          By {choice(address({ who: '' }), 'everyone', options.who === '')}
          {people.map((who) => choice(address({ who }), who === 'family' ? 'the family' : who, options.who === who))}
        </span>
        <a className="link" href={`/students/${child.id}/access-log/file`}>
          Download as a file (CSV)
        </a>
      </p>
      <table className="mt-4 w-full max-w-[980px] border-collapse">
        <HeadRow heads={['date', 'who', 'viewed', 'changed']} />
        <tbody>
          {days.map(({ day, who, looks, changes }) => (
            <tr key={`${day} ${who}`} data-row>
              <td className="cell whitespace-nowrap">{longDay(day)}</td>
              <td className="cell whitespace-nowrap">{who ?? 'The family’s link'}</td>
              <td className="cell whitespace-nowrap">{looks === 0 ? '–' : looks === 1 ? 'once' : `${looks} times`}</td>
              <td className="cell">
                {changes.map((row) => `${timeIn(row.at, child.timeZone)} ${words(`audit.${row.action}`, row.numbers)}`).join('; ') || '–'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {days.length === 0 && <p className="mt-3 text-soft">No students match these choices.</p>}
      {view.isCut && <p className="mt-3 text-soft">Only the newest are shown. The file has all of them.</p>}
    </>
  );
}
