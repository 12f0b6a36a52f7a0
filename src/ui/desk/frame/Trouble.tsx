import type { Fault } from '@/server/answer';
import { words } from '../../shared/deskWords';
import messages from '../../../../messages/desk.en.json';

/** Issues of one field that can be named without the field beside it. */
type IssueCode = keyof typeof messages.issues;
const isWorded = (code: string): code is IssueCode => code in messages.issues;

/** The words for what is wrong in one field; null for a code that has none. */
export function issueWords(code: string): string | null {
  return isWorded(code) ? words(`issues.${code}`) : null;
}

/** The words for a fault, with its numbers filled in. */
export function faultWords({ code, detail, logId }: Fault): string {
  const issues = detail && 'issues' in detail ? [...new Set(detail.issues.map((issue) => issueWords(issue.code)))] : [];
  if (issues.length && issues.every((issue) => issue !== null)) return issues.join(' ');
  const told = Object.entries(detail ?? {}).filter((entry): entry is [string, string | number] => typeof entry[1] !== 'object');
  return words(`faults.${code}`, { ...Object.fromEntries(told), logId: logId ?? '' });
}

/** Only what passes by itself is called a moment. */
function headingOf({ code }: Fault): string {
  if (code === 'notFound') return 'Nothing here';
  return code === 'notAllowed' ? 'Not available for your role' : 'One moment';
}

/** A page for when there is nothing else to show. While the database is away it asks again by itself. */
export function Trouble({ fault, said = faultWords(fault) }: { fault: Fault; said?: string }) {
  return (
    <main className="mx-auto max-w-[640px] px-6 pt-[14vh]">
      {fault.code === 'databaseAway' && <meta httpEquiv="refresh" content="3" />}
      <h1 className="text-[26px]">{headingOf(fault)}</h1>
      <p className="mt-3 text-[17px]" role="alert">
        {said}
      </p>
      <p className="mt-6">
        <a className="link" href="/caseload">
          To the caseload
        </a>
      </p>
    </main>
  );
}
