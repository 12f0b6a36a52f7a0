import type { Fault } from '@/server/answer';
import { words } from '../../shared/deskWords';

/** What is wrong in one field, where that can be said without the field beside it. */
const ISSUES = [
  ...(['notADay', 'notADayAhead', 'empty', 'tooLong', 'offLadder', 'notForThisKind'] as const),
  ...([
    'nameShort',
    'nameLong',
    'notAnAddress',
    'addressTaken',
    'passwordShort',
    'passwordLong',
    'passwordGuessed',
    'passwordWrong',
  ] as const),
  ...(['notATimeZone', 'notANumber'] as const),
] as const;

/** The words for a fault, with its numbers filled in. */
export function faultWords({ code, detail, logId }: Fault): string {
  const issues = detail && 'issues' in detail ? detail.issues.map((issue) => ISSUES.find((each) => each === issue.code)) : [];
  if (issues.length && issues.every((issue) => issue !== undefined)) return issues.map((issue) => words(`issues.${issue}`)).join(' ');
  const told = Object.entries(detail ?? {}).filter((entry): entry is [string, string | number] => typeof entry[1] !== 'object');
  return words(`faults.${code}`, { ...Object.fromEntries(told), logId: logId ?? '' });
}

/** A page for when there is nothing else to show. While the database is away it asks again by itself. */
export function Trouble({ fault, said = faultWords(fault) }: { fault: Fault; said?: string }) {
  return (
    <main className="mx-auto max-w-[640px] px-6 pt-[14vh]">
      {fault.code === 'databaseAway' && <meta httpEquiv="refresh" content="3" />}
      <h1 className="text-[26px]">{fault.code === 'notFound' ? 'Nothing here' : 'One moment'}</h1>
      <p className="mt-3 text-[17px]" role="alert">
        {said}
      </p>
      <p className="mt-6">
        <a className="link" href="/yard">
          To the yard
        </a>
      </p>
    </main>
  );
}
