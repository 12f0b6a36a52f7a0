import Link from 'next/link';
import type { DataView } from '@/server/exchange/viewData';
import { momentIn } from '../../shared/days';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { OnceConfirmed } from '../parts/OnceConfirmed';
import { KeyForm, type MakeKeyAction } from './KeyForm.client';
import { PolicyPanel, type PreviewPolicyAction } from './PolicyPanel.client';

interface Props {
  readonly view: DataView;
  readonly makeKey: MakeKeyAction;
  readonly takeKeyBack: WordedAction;
  readonly previewPolicy: PreviewPolicyAction;
  readonly importPolicy: WordedAction;
}

const fileOf = (what: string) => `/settings/data/file?what=${what}`;

/** Lists exports and imports, in formats that any program reads. */
export function DataScreen({ view, makeKey, takeKeyBack, previewPolicy, importPolicy }: Props) {
  return (
    <div className="max-w-[760px] space-y-8">
      <div>
        <p>
          <Link className="link" href="/settings">
            Settings
          </Link>
        </p>
        <h1 className="mt-1 text-[24px]">Data import and export</h1>
        <p className="mt-1 text-soft">
          Exported files contain student information. Follow your district’s rules, and keep them only as long as you need them.
        </p>
      </div>
      <section id="tables">
        <h2 className="text-[18px]">Tables of the students you lead</h2>
        <OnceConfirmed isConfirmed={view.isConfirmed} next="/settings/data" to="download them">
          <table className="mt-1 w-full">
            <tbody>
              {view.tables.map(({ name, meaning }) => (
                <tr key={name} className="border-t border-line align-baseline">
                  <th scope="row" className="py-1.5 pr-4 text-left font-normal">
                    <a className="link" href={fileOf(name)} download>
                      {name}.csv
                    </a>
                  </th>
                  <td className="py-1.5 text-soft">{meaning}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </OnceConfirmed>
        <p className="mt-2">
          <a className="link" href={fileOf('dictionary')} download>
            dictionary.csv
          </a>{' '}
          <span className="text-soft">says what every column means. A student’s whole record is on the student’s own page.</span>
        </p>
        <p className="mt-2 text-soft">
          Import:{' '}
          <Link className="link" href="/students/import">
            Import a list of students
          </Link>
          ,{' '}
          <Link className="link" href="/reports/import">
            Import a list of reports
          </Link>
          .
        </p>
      </section>
      <section id="year">
        <h2 className="text-[18px]">The school year</h2>
        <p className="mt-1">
          <a className="link" href={fileOf('school-year')} download>
            school-year.ics
          </a>{' '}
          <span className="text-soft">for any calendar.</span>{' '}
          <Link className="link" href="/settings/year">
            Import a calendar
          </Link>
        </p>
      </section>
      {view.mayChange && (
        <section id="rules">
          <h2 className="text-[18px]">Rules of this school</h2>
          <p className="mt-1">
            <a className="link" href={fileOf('policy')} download>
              policy-pack.json
            </a>{' '}
            <span className="text-soft">
              contains your rule for suggestions, messages to families, how long records are kept, and how people sign in. It has no names.
            </span>
          </p>
          <PolicyPanel preview={previewPolicy} take={importPolicy} isConfirmed={view.isConfirmed} />
        </section>
      )}
      {view.keys && <KeysSection view={view} keys={view.keys} makeKey={makeKey} takeKeyBack={takeKeyBack} />}
    </div>
  );
}

function KeysSection({
  view,
  keys,
  makeKey,
  takeKeyBack,
}: Pick<Props, 'view' | 'makeKey' | 'takeKeyBack'> & { keys: NonNullable<DataView['keys']> }) {
  const when = (moment: DataView['now']) => momentIn(moment, view.timeZone);
  return (
    <section id="keys">
      <h2 className="text-[18px]">Programs of the district</h2>
      <p className="mt-1 text-soft">
        With an API key, another program can read these tables for all students, without names and comments. Without a key, nothing can be
        read. Every request is in the access log. The address is <code>{view.address}</code>; <code>{view.address}/openapi.json</code> has
        the API description, with the same key.
      </p>
      <ul className="mt-1">
        {keys.map((key) => (
          <li key={key.id} className="flex items-baseline justify-between gap-4 border-t border-line py-1.5">
            <span>
              {key.name},{' '}
              <span className="text-soft">
                {`key ${key.id}, made by ${key.madeBy}, until ${when(key.expiresAt)}, ${key.usedAt === null ? 'not used yet' : `last used ${when(key.usedAt)}`}`}
              </span>
            </span>
            {view.isConfirmed && (
              <ActionForm action={takeKeyBack} hidden={{ keyId: key.id }}>
                <button className="link">Revoke</button>
              </ActionForm>
            )}
          </li>
        ))}
      </ul>
      <OnceConfirmed isConfirmed={view.isConfirmed} next="/settings/data#keys" to="create or revoke a key">
        <KeyForm action={makeKey} />
      </OnceConfirmed>
    </section>
  );
}
