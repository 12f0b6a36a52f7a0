import { words } from '../../shared/deskWords';

export interface TroubleFault {
  readonly code: string;
  readonly detail: unknown;
  readonly logId: string | null;
}

/** The words for a fault, with its numbers filled in. */
export function faultWords(fault: TroubleFault): string {
  const detail = typeof fault.detail === 'object' && fault.detail !== null ? (fault.detail as Record<string, string | number>) : {};
  return words(`faults.${fault.code}` as 'faults.notFound', { ...detail, logId: fault.logId ?? '' } as never);
}

/** A page for when there is nothing else to show. While the database is away it asks again by itself. */
export function Trouble({ fault }: { fault: TroubleFault }) {
  return (
    <main className="mx-auto max-w-[640px] px-6 pt-[14vh]">
      {fault.code === 'databaseAway' && <meta httpEquiv="refresh" content="3" />}
      <h1 className="text-[26px]">{fault.code === 'notFound' ? 'Nothing here' : 'One moment'}</h1>
      <p className="mt-3 text-[17px]" role="alert">
        {faultWords(fault)}
      </p>
      <p className="mt-6">
        <a className="link" href="/yard">
          To the yard
        </a>
      </p>
    </main>
  );
}
