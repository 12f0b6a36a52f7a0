'use client';

import Link from 'next/link';
import { useRef, useState, useTransition } from 'react';
import type { DateOrder, RosterFact } from '@/core/students';
import type { RosterPreview } from '@/server/students/importRoster';
import { DateOrderField } from '../../imports/DateOrderField.client';
import { PastedList, tableFaultWords } from '../../imports/PastedList.client';
import { FormField } from '../../parts/FormField';
import { RosterTable } from './RosterTable.client';
import { FaultNote } from '../../parts/FaultNote';

export interface RosterOptions {
  readonly text: string;
  readonly columns?: (RosterFact | null)[];
  readonly dateOrder?: DateOrder;
  readonly school?: string;
  readonly schools?: Record<string, string>;
  readonly scissorsAllowed?: boolean | null;
  readonly mouthsThings?: boolean | null;
}
export type Taken =
  | { readonly ok: true; readonly added: number; readonly there: number; readonly leftOut: number }
  | { readonly ok: false; readonly fault: string };

interface Props {
  readonly preview: (options: RosterOptions) => Promise<RosterPreview | { readonly words: string }>;
  readonly take: (options: RosterOptions) => Promise<Taken>;
}

type Found = Extract<RosterPreview, { ok: true }>;
type Chosen = Omit<RosterOptions, 'text' | 'school'>;

/** A caseload from a list: pasted or of a file, looked at row by row, then taken in as a whole. */
export function RosterScreen({ preview, take }: Props) {
  const [text, setText] = useState('');
  const [found, setFound] = useState<Found | null>(null);
  const [school, setSchool] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const [taken, setTaken] = useState<Extract<Taken, { ok: true }> | null>(null);
  const [isWorking, start] = useTransition();
  // A person's choice counts at once, also while an earlier look is still running.
  const chosen = useRef<Chosen>({});
  const look = (text: string, change: Chosen = {}) => {
    chosen.current = { ...chosen.current, ...change };
    start(async () => {
      setFault(null);
      const read = await preview({ ...chosen.current, text, school });
      if ('words' in read) return setFault(read.words);
      if (read.ok) {
        chosen.current = { columns: [...read.columns], ...(read.dateOrder && { dateOrder: read.dateOrder }), ...chosen.current };
        return setFound(read);
      }
      setFound(null);
      setFault(tableFaultWords(read.fault));
    });
  };
  const isSchool = (cell: string, school: string) => look(text, { schools: { ...chosen.current.schools, [cell]: school } });
  /** Another list: what was chosen for the one before holds no more, unless its headings are the same. */
  const anew = (list: string) => {
    if (list.split('\n')[0] !== text.split('\n')[0]) chosen.current = {};
    setText(list);
    setTaken(null);
    setFound(null);
  };
  const wrong = found?.rows.filter(({ record }) => record === null).length ?? 0;
  const fresh = found?.rows.filter(({ record, isThere }) => record !== null && !isThere).length ?? 0;
  const takeIn = () =>
    start(async () => {
      const answer = await take({ ...chosen.current, text, school });
      if (!answer.ok) return setFault(answer.fault);
      setTaken(answer);
      if (answer.leftOut > 0) return look(text);
      setFound(null);
      setText('');
    });
  return (
    <>
      <h1 className="text-[24px]">Take a caseload in</h1>
      <p className="max-w-[760px] text-soft">
        Copy the rows from your spreadsheet, headings included, and paste them here, or choose a CSV file. Nothing is written until you have
        looked at every row. Of last names only the initial is kept.{' '}
        <a className="link" href="/students/import/template">
          A template
        </a>
      </p>
      <PastedList text={text} isRead={found !== null} isWorking={isWorking} onText={anew} onLook={(list) => look(list)} />
      {fault && <FaultNote className="mt-3 max-w-[760px]">{fault}</FaultNote>}
      {taken && (
        <p role="status" className="mt-3 max-w-[760px] border-l-4 border-green bg-green-tint px-3 py-2">
          {taken.added} {taken.added === 1 ? 'student was' : 'students were'} added to your caseload.
          {taken.there > 0 && ` ${taken.there} ${taken.there === 1 ? 'was' : 'were'} there already and did not change.`}
          {taken.leftOut > 0 &&
            ` ${taken.leftOut} ${taken.leftOut === 1 ? 'row was' : 'rows were'} left out: correct them and add the list again.`}{' '}
          <Link className="link" href="/caseload">
            To the caseload
          </Link>
        </p>
      )}
      {found && (
        <>
          <div className="mt-4 flex flex-wrap items-end gap-x-6 gap-y-2">
            <DateOrderField order={found.dateOrder} onOrder={(dateOrder) => look(text, { dateOrder })} />
            <FormField label="School, for rows that name none">
              <input
                value={school}
                list="roster-schools"
                onChange={(event) => setSchool(event.target.value)}
                onBlur={() => look(text)}
                className="field w-[220px]"
              />
              <datalist id="roster-schools">
                {found.schools.map((each) => (
                  <option key={each} value={each} />
                ))}
              </datalist>
            </FormField>
            {found.asks.scissorsAllowed !== undefined && (
              <YesOrNo
                label="Scissors, for rows that do not say"
                says={{ yes: 'Allowed, with an adult', no: 'Not allowed' }}
                value={found.asks.scissorsAllowed}
                choose={(scissorsAllowed) => look(text, { scissorsAllowed })}
              />
            )}
            {found.asks.mouthsThings !== undefined && (
              <YesOrNo
                label="Puts things in the mouth, for rows that do not say"
                says={{ yes: 'Yes', no: 'No' }}
                value={found.asks.mouthsThings}
                choose={(mouthsThings) => look(text, { mouthsThings })}
              />
            )}
            {found.unknownSchools.map((name) => (
              <FormField key={name} label={`Which school is “${name}”?`}>
                <select value="" onChange={(event) => isSchool(name, event.target.value)} className="field">
                  <option value="">Choose</option>
                  <option value={name}>A new school: {name}</option>
                  {found.schools.map((each) => (
                    <option key={each} value={each}>
                      {each}
                    </option>
                  ))}
                </select>
              </FormField>
            ))}
          </div>
          {!found.columns.includes('allergies') && (
            <p className="mt-3 max-w-[760px] border-l-4 border-straw bg-straw-tint px-3 py-2">
              This list has no allergies. Add them on each student’s page before you send a program.
            </p>
          )}
          <RosterTable found={found} match={(columns) => look(text, { columns })} />
          <p className="mt-3 flex flex-wrap items-center gap-4">
            <button type="button" className="act act-main" disabled={isWorking || found.dateOrder === null || fresh === 0} onClick={takeIn}>
              Add {fresh} {fresh === 1 ? 'student' : 'students'}
            </button>
            <span className={wrong > 0 || found.dateOrder === null ? 'font-semibold text-brick' : 'text-soft'}>
              {found.dateOrder === null
                ? 'First choose how the dates begin.'
                : wrong > 0
                  ? `${wrong} of ${found.rows.length} rows need a correction. They are left out until you correct them.`
                  : `${found.rows.length - fresh} of ${found.rows.length} are on your caseload already.`}
            </span>
          </p>
        </>
      )}
    </>
  );
}

interface YesOrNoProps {
  readonly label: string;
  readonly says: Readonly<Record<'yes' | 'no', string>>;
  readonly value: boolean | null;
  readonly choose: (value: boolean | null) => void;
}

/** A question of safety: nothing is chosen until a person has. */
function YesOrNo({ label, says, value, choose }: YesOrNoProps) {
  return (
    <FormField label={label}>
      <select
        value={value === null ? '' : value ? 'yes' : 'no'}
        onChange={(event) => choose(event.target.value === '' ? null : event.target.value === 'yes')}
        className="field"
      >
        <option value="">Choose</option>
        <option value="yes">{says.yes}</option>
        <option value="no">{says.no}</option>
      </select>
    </FormField>
  );
}
