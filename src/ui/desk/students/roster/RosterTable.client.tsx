'use client';

import { nameOf, ROSTER_FACTS, type RosterFact } from '@/core/students';
import type { RosterPreview, RosterPreviewRow } from '@/server/students/importRoster';
import { words } from '../../../shared/deskWords';
import { ColumnMatch } from '../../imports/ColumnMatch.client';

type Found = Extract<RosterPreview, { ok: true }>;

interface Props {
  readonly found: Found;
  readonly match: (columns: (RosterFact | null)[]) => void;
}

const FACTS = ROSTER_FACTS.map((fact) => [fact, words(`facts.${fact}`)] as const);

/** How each column was matched, then each row's child, or what stands in its way. */
export function RosterTable({ found, match }: Props) {
  return (
    <>
      <ColumnMatch headings={found.headings} columns={found.columns} facts={FACTS} match={match} />
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
            `${record.hand === 'unsettled' ? 'hand preference not established' : `${record.hand} hand`}`,
            `${record.minutesPerDay} min`,
            ...record.allergies,
            ...(record.mouthsThings ? ['mouths objects'] : []),
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
