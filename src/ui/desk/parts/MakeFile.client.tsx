'use client';

import { useRef, useState } from 'react';
import { JobProgress } from './JobProgress';
import { linesOf, Refused } from './linesOf';

/** A student without a page in the file, and why. */
interface Left {
  readonly name: string;
  readonly why: string;
}

type Line =
  | { readonly done: number; readonly of: number; readonly name?: string; readonly own?: string }
  | { readonly fault: string }
  | { readonly pdf: string | null; readonly left: readonly Left[] };

type State =
  | { readonly is: 'ready' }
  | { readonly is: 'making'; readonly done: number; readonly of: number }
  | { readonly is: 'stopped' }
  | { readonly is: 'fault'; readonly words: string }
  | { readonly is: 'made'; readonly files: readonly MadeFile[]; readonly left: readonly Left[] };

interface MadeFile {
  readonly name: string;
  readonly address: string;
}

interface Props {
  /** Address that is asked for the file, line by line. */
  readonly address: string;
  /** How many it is of, before the first line says so. */
  readonly of: number;
  readonly fileName: string;
  readonly why: Readonly<Record<string, string>>;
  /** The choices of the form, and its button where `button` names none. */
  readonly children?: React.ReactNode;
  readonly button: string;
}

/** Makes a file while one looks on, and stops where one wishes. */
export function MakeFile({ address, of, fileName, why, children, button }: Props) {
  const [state, setState] = useState<State>({ is: 'ready' });
  const stop = useRef<AbortController | null>(null);
  const make = async (form: FormData) => {
    stop.current = new AbortController();
    setState({ is: 'making', done: 0, of });
    try {
      setState(await madeBy(address, form, stop.current.signal, (done, all) => setState({ is: 'making', done, of: all })));
    } catch (error) {
      const words =
        error instanceof Refused ? error.message : 'The file could not be made just now. Nothing was changed. Please try again.';
      setState(stop.current.signal.aborted ? { is: 'stopped' } : { is: 'fault', words });
    }
  };
  return (
    <>
      <form
        className="mt-4 flex flex-wrap items-start gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void make(new FormData(event.currentTarget));
        }}
      >
        {children}
        <button className="act self-end" disabled={state.is === 'making'}>
          {button}
        </button>
      </form>
      <div role="status" className="mt-4">
        {state.is === 'making' && <JobProgress done={state.done} of={state.of} stop={() => stop.current?.abort()} />}
        {state.is === 'stopped' && <p>Stopped. No file was made.</p>}
        {state.is === 'fault' && <p className="font-semibold text-brick">{state.words}</p>}
        {state.is === 'made' && (
          <>
            <p>
              {state.files.map(({ name, address: place }) => (
                <a
                  key={place}
                  className={name === '' ? 'act' : 'link mr-4 inline-block'}
                  href={place}
                  download={`${fileName}${name && ` ${name}`}.pdf`}
                >
                  {name === '' ? 'Save the PDF' : name}
                </a>
              ))}
            </p>
            {state.left.length > 0 && (
              <p className="mt-2 text-soft">
                Left out: {state.left.map((each) => `${each.name} (${why[each.why] ?? each.why})`).join(', ')}.
              </p>
            )}
          </>
        )}
      </div>
    </>
  );
}

/** Reads what is told line by line, till the file comes. */
async function madeBy(address: string, form: FormData, signal: AbortSignal, onDone: (done: number, of: number) => void): Promise<State> {
  const files: MadeFile[] = [];
  for await (const line of linesOf<Line>(address, form, signal)) {
    if ('done' in line) {
      onDone(line.done, line.of);
      if (line.own) files.push({ name: line.name ?? '', address: addressOf(line.own) });
    } else if ('fault' in line) return { is: 'fault', words: line.fault };
    else return { is: 'made', files: line.pdf ? [{ name: '', address: addressOf(line.pdf) }] : files, left: line.left };
  }
  return { is: 'stopped' };
}

function addressOf(base64: string): string {
  const bytes = Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0));
  return URL.createObjectURL(new Blob([bytes], { type: 'application/pdf' }));
}
