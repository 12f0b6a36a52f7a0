'use client';

import { useState } from 'react';
import { words } from '../../shared/deskWords';
import { FormField } from '../parts/FormField';

interface Props {
  readonly text: string;
  /** True where its rows are looked at below: the list itself needs less room then. */
  readonly isRead: boolean;
  readonly isWorking: boolean;
  readonly onText: (text: string) => void;
  readonly onLook: (text: string) => void;
}

/** A list pasted from a spreadsheet, or of a file, to be looked at before anything is written. */
export function PastedList({ text, isRead, isWorking, onText, onLook }: Props) {
  const [file, setFile] = useState<{ bytes: Uint8Array; encoding: Encoding; isSure: boolean } | null>(null);
  const readAs = (bytes: Uint8Array, encoding: Encoding) => {
    const read = new TextDecoder(encoding).decode(bytes);
    setFile({ bytes, encoding, isSure: encodingOf(bytes) === 'utf-8' });
    onText(read);
    onLook(read);
  };
  return (
    <div className="mt-3 flex flex-wrap items-end gap-4">
      <FormField label="The list" className="w-full max-w-[760px]">
        <textarea
          value={text}
          onChange={(event) => onText(event.target.value)}
          rows={isRead ? 3 : 8}
          autoFocus
          spellCheck={false}
          className="field w-full font-[monospace] text-[13px]"
        />
      </FormField>
      <FormField label="Or choose a file">
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (!chosen) return;
            void chosen.arrayBuffer().then((buffer) => readAs(new Uint8Array(buffer), encodingOf(new Uint8Array(buffer))));
          }}
        />
      </FormField>
      {file && !file.isSure && (
        <FormField label="Encoding: do names with accents look right?">
          <select value={file.encoding} onChange={(event) => readAs(file.bytes, event.target.value as Encoding)} className="field">
            {ENCODINGS.map(([encoding, name]) => (
              <option key={encoding} value={encoding}>
                {name}
              </option>
            ))}
          </select>
        </FormField>
      )}
      <button
        type="button"
        className={isRead ? 'act' : 'act act-main'}
        disabled={isWorking || text.trim() === ''}
        onClick={() => onLook(text)}
      >
        Preview
      </button>
    </div>
  );
}

type TableFault =
  | { readonly code: 'tooManyRows'; readonly most: number }
  | { readonly code: 'openQuote'; readonly row: number }
  | { readonly code: 'empty' | 'tooLarge' | 'noRows' };

export function tableFaultWords(fault: TableFault): string {
  const { code, ...numbers } = fault;
  return words(`tableFaults.${code}`, numbers);
}

/** Encodings that spreadsheets write beside UTF-8, by the names that browsers know. */
const ENCODINGS = [
  ['utf-8', 'Unicode (UTF-8)'],
  ['windows-1252', 'Western, Windows'],
  ['macintosh', 'Western, older Mac'],
  ['utf-16le', 'Unicode (UTF-16)'],
] as const;
type Encoding = (typeof ENCODINGS)[number][0];

/** UTF-8 where the bytes are that, else what spreadsheets on Windows write: a person is shown it and may choose another. */
function encodingOf(bytes: Uint8Array): Encoding {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}
