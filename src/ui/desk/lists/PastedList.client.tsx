'use client';

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
      <FormField label="or a file">
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) void file.text().then((read) => (onText(read), onLook(read)));
          }}
        />
      </FormField>
      <button
        type="button"
        className={isRead ? 'act' : 'act act-main'}
        disabled={isWorking || text.trim() === ''}
        onClick={() => onLook(text)}
      >
        Look at it
      </button>
    </div>
  );
}

type TableFault = { readonly code: 'tooManyRows'; readonly most: number } | { readonly code: 'empty' | 'tooLarge' | 'noRows' };

export function tableFaultWords(fault: TableFault): string {
  return fault.code === 'tooManyRows' ? words('tableFaults.tooManyRows', { most: fault.most }) : words(`tableFaults.${fault.code}`);
}
