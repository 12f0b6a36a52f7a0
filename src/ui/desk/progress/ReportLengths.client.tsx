'use client';

import { useRef, useState, type ReactNode } from 'react';
import { CopyWords } from './CopyWords.client';
import type { ReportRow } from './reportWords';

const LENGTHS = { line: 'One line', paragraph: 'Paragraph', table: 'Paragraph and table' } as const;
type Length = keyof typeof LENGTHS;
const HEADS = ['Date', 'Source', 'Result', 'Level of help'] as const;

interface Props {
  /** Empty for a goal without a measure: there is nothing to choose then. */
  readonly line: string;
  /** The paragraph as text, and as it is shown, with the therapist’s own words marked. */
  readonly text: string;
  readonly paragraph: ReactNode;
  readonly rows: readonly ReportRow[];
}

/** The report in the length that its form has room for, to be copied into it. */
export function ReportLengths({ line, text, paragraph, rows }: Props) {
  const [length, setLength] = useState<Length>('paragraph');
  const shown = useRef<HTMLDivElement>(null);
  const table = [HEADS, ...rows.map(({ date, source, value, help }) => [date, source, value, help])];
  const plain = { line, paragraph: text, table: `${text}\n\n${table.map((cells) => cells.join('\t')).join('\n')}` }[length];
  return (
    <>
      {line && (
        <fieldset className="mt-1 flex flex-wrap gap-x-4 print:hidden">
          <legend className="sr-only">Length of the report text</legend>
          {(Object.keys(LENGTHS) as Length[]).map((each) => (
            <label key={each} className="flex items-center gap-1.5">
              <input
                type="radio"
                name="length"
                checked={length === each}
                onChange={() => setLength(each)}
                className="size-4 accent-green"
              />
              {LENGTHS[each]}
            </label>
          ))}
        </fieldset>
      )}
      <div ref={shown}>
        <p id="paragraph" className="mt-1">
          {length === 'line' ? line : paragraph}
        </p>
        {length === 'table' && <DataTable rows={rows} />}
      </div>
      <p className="mt-2 print:hidden">
        <CopyWords key={length} text={plain} html={() => shown.current?.innerHTML ?? ''} />
      </p>
    </>
  );
}

function DataTable({ rows }: Pick<Props, 'rows'>) {
  return (
    <table className="mt-2 w-full text-[14px]">
      <thead>
        <tr className="border-b border-ink text-left">
          {HEADS.map((head) => (
            <th key={head} scope="col" className="py-0.5 pr-3">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ date, source, value, help }, index) => (
          <tr key={index} className="border-b border-line">
            {[date, source, value, help].map((cell, column) => (
              <td key={column} className="py-0.5 pr-3">
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
