'use client';

import { nameOf, ROSTER_FACTS, type RosterFact } from '@/core/child';
import type { RosterPreview, RosterPreviewRow } from '@/server/caseload/takeRoster';
import { words } from '../../shared/deskWords';

type Found = Extract<RosterPreview, { ok: true }>;

interface Props {
  readonly found: Found;
  readonly match: (place: number, fact: RosterFact | null) => void;
}

/** How each column was matched, then each row's child, or what stands in its way. */
export function RosterTable({ found, match }: Props) {
  return (
    <>
      <h2 className="mt-4 text-[16px]">Columns</h2>
      <div className="mt-1 flex flex-wrap gap-x-5 gap-y-2">
        {found.headings.map((heading, place) => (
          <label key={place} className="block text-[14px]">
            <span className="block font-semibold">{heading || `column ${place + 1}`}</span>
            <select
              value={found.columns[place] ?? ''}
              onChange={(event) => match(place, ROSTER_FACTS.find((fact) => fact === event.target.value) ?? null)}
              className="field"
            >
              <option value="">left out</option>
              {ROSTER_FACTS.map((fact) => (
                <option key={fact} value={fact}>
                  {words(`facts.${fact}`)}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
      <h2 className="mt-4 text-[16px]">Rows</h2>
      <table className="w-full max-w-[1100px] border-collapse">
        <thead>
          <tr>
            {['row', 'child', 'born', 'school', 'what is known', ''].map((head) => (
              <th key={head} className="cell-head">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {found.rows.map((row) => (
            <Row key={row.number} row={row} />
          ))}
        </tbody>
      </table>
    </>
  );
}

function Row({ row: { number, record, school, findings, isThere } }: { row: RosterPreviewRow }) {
  return (
    <tr data-row>
      <td className="cell text-soft">{number}</td>
      <td className="cell whitespace-nowrap font-semibold">{record ? nameOf(record) : '–'}</td>
      <td className="cell whitespace-nowrap">{record?.bornOn ?? '–'}</td>
      <td className="cell">{school || '–'}</td>
      <td className="cell text-soft">
        {record &&
          [
            `${record.hand === 'unsettled' ? 'hand not settled' : `${record.hand} hand`}`,
            `${record.minutesPerDay} min`,
            ...record.allergies,
            ...(record.mouthsThings ? ['mouths things'] : []),
            ...(record.scissorsAllowed ? [] : ['no scissors']),
          ].join(', ')}
      </td>
      <td className="cell">
        {isThere && <span className="text-soft">there already, left as it is</span>}
        {findings.map(({ fact, code, cell }) => (
          <span key={`${fact} ${code}`} className="block font-semibold text-brick">
            {words(`rosterFindings.${code}`, { fact: words(`facts.${fact}`), cell })}
          </span>
        ))}
      </td>
    </tr>
  );
}
