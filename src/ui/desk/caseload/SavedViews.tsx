import Link from 'next/link';
import { DEFAULT_CASELOAD_COLUMNS, CASELOAD_COLUMNS, type CaseloadQuery } from '@/core/caseload';
import type { CaseloadView } from '@/server/caseload/viewCaseload';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { COLUMN_WORDS } from './columnWords';
import { caseloadAddress } from './caseloadQuery';

interface Props {
  readonly options: CaseloadQuery;
  readonly kept: CaseloadView['kept'];
  readonly keep: WordedAction;
  readonly drop: WordedAction;
}

/** Which columns are shown, and the ways of looking that were kept by a name. The address of each can be passed on as it is. */
export function SavedViews({ options, kept, keep, drop }: Props) {
  const here = caseloadAddress(options);
  const { columns = DEFAULT_CASELOAD_COLUMNS } = options;
  const others = [...new URLSearchParams(caseloadAddress({ ...options, columns: DEFAULT_CASELOAD_COLUMNS }))];
  return (
    <div className="mt-1 flex flex-wrap items-baseline gap-x-8 gap-y-1 text-[14px] print:hidden">
      <details>
        <summary className="link inline">Columns</summary>
        <form action="/caseload" className="my-2 flex flex-wrap items-center gap-x-4 gap-y-1 border-l-4 border-line px-3 py-1">
          {others.map(([name, value]) => (
            <input key={name} type="hidden" name={name} value={value} />
          ))}
          {CASELOAD_COLUMNS.map((column) => (
            <label key={column} className="flex items-center gap-1.5">
              <input type="checkbox" name="cols" value={column} defaultChecked={columns.includes(column)} /> {COLUMN_WORDS[column]}
            </label>
          ))}
          <button className="act py-0">Show these</button>
        </form>
      </details>
      {kept.map(({ id, name, address }) => (
        <Link
          key={id}
          href={`/caseload?${address}`}
          prefetch={false}
          aria-current={address === here ? 'page' : undefined}
          className="link aria-[current]:font-bold aria-[current]:text-ink"
        >
          {name}
        </Link>
      ))}
      <details>
        <summary className="link inline">Save this view</summary>
        <div className="my-2 border-l-4 border-line px-3 py-1">
          <ActionForm action={keep} hidden={{ address: here }} className="flex flex-wrap items-center gap-2">
            <label>
              Name <input name="name" maxLength={40} required className="field w-[180px] py-0" />
            </label>
            <button className="act py-0">Save</button>
            <span className="text-soft">The current view. You can share its address.</span>
          </ActionForm>
          {kept.map(({ id, name }) => (
            <ActionForm key={id} action={drop} hidden={{ id }}>
              <span className="mr-3">{name}</span>
              <button className="link">Delete</button>
            </ActionForm>
          ))}
        </div>
      </details>
    </div>
  );
}
