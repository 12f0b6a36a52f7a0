'use client';

import { useRef, useState } from 'react';
import type { PapersView } from '@/server/programs/viewPapers';
import { PaperChoices } from './PaperChoices';

type Line =
  | { readonly done: number; readonly of: number; readonly name?: string; readonly own?: string }
  | { readonly fault: string }
  | { readonly pdf: string | null; readonly left: readonly { readonly name: string; readonly why: 'nothing' | 'rightToLeft' }[] };

type State =
  | { readonly is: 'ready' }
  | { readonly is: 'making'; readonly done: number; readonly of: number }
  | { readonly is: 'stopped' }
  | { readonly is: 'fault'; readonly words: string }
  | { readonly is: 'made'; readonly files: readonly MadeFile[]; readonly left: Extract<Line, { left: unknown }>['left'] };

interface MadeFile {
  readonly name: string;
  readonly address: string;
}

const WHY = { nothing: 'nothing to print', rightToLeft: 'print from its own page' } as const;

/** Makes the file while one looks on, and stops where one wishes. */
export function MakePapers({ view }: { view: PapersView }) {
  const [state, setState] = useState<State>({ is: 'ready' });
  const stop = useRef<AbortController | null>(null);
  const make = async (form: FormData) => {
    stop.current = new AbortController();
    setState({ is: 'making', done: 0, of: view.children });
    try {
      setState(await madeBy(form, stop.current.signal, (done, of) => setState({ is: 'making', done, of })));
    } catch {
      const words = 'The file could not be made just now. Nothing was changed. Please try again.';
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
        <label className="block">
          <span className="block text-[13px] font-semibold">Whose</span>
          <select name="school" className="field" defaultValue="">
            <option value="">all my children ({view.children})</option>
            {view.schools.map(({ name, children }) => (
              <option key={name} value={name}>
                {name} ({children})
              </option>
            ))}
          </select>
        </label>
        <PaperChoices />
        <label className="flex items-center gap-2 self-end pb-2">
          <input type="checkbox" name="each" className="size-4 accent-green" /> a file for each child
        </label>
        <button className="act self-end" disabled={state.is === 'making'}>
          Make the PDF
        </button>
      </form>
      <div role="status" className="mt-4">
        {state.is === 'making' && (
          <p className="flex items-center gap-4">
            <progress value={state.done} max={Math.max(1, state.of)} className="w-[280px] accent-green" aria-label="Children done" />
            {state.done} of {state.of}
            <button type="button" className="link" onClick={() => stop.current?.abort()}>
              Stop
            </button>
          </p>
        )}
        {state.is === 'stopped' && <p>Stopped. No file was made.</p>}
        {state.is === 'fault' && <p className="font-semibold text-brick">{state.words}</p>}
        {state.is === 'made' && (
          <>
            <p>
              {state.files.map(({ name, address }) => (
                <a
                  key={address}
                  className={name === '' ? 'act' : 'link mr-4 inline-block'}
                  href={address}
                  download={`practice${name && ` ${name}`}.pdf`}
                >
                  {name === '' ? 'Save the PDF' : name}
                </a>
              ))}
            </p>
            {state.left.length > 0 && (
              <p className="mt-2 text-soft">Left out: {state.left.map(({ name, why }) => `${name} (${WHY[why]})`).join(', ')}.</p>
            )}
          </>
        )}
      </div>
    </>
  );
}

/** Reads what is told line by line, till the file comes. */
async function madeBy(form: FormData, signal: AbortSignal, onDone: (done: number, of: number) => void): Promise<State> {
  const wish = new URLSearchParams([...form].map(([name, value]): [string, string] => [name, String(value)]));
  const answer = await fetch(`/paper/make?${wish}`, { signal });
  if (!answer.ok || !answer.body) return { is: 'fault', words: await answer.text() };
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
  const files: MadeFile[] = [];
  let rest = '';
  for (let read = await reader.read(); !read.done; read = await reader.read()) {
    const lines = `${rest}${read.value}`.split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines.map((text) => JSON.parse(text) as Line)) {
      if ('done' in line) {
        onDone(line.done, line.of);
        if (line.own) files.push({ name: line.name ?? '', address: addressOf(line.own) });
      } else if ('fault' in line) return { is: 'fault', words: line.fault };
      else return { is: 'made', files: line.pdf ? [{ name: '', address: addressOf(line.pdf) }] : files, left: line.left };
    }
  }
  return { is: 'stopped' };
}

function addressOf(base64: string): string {
  const bytes = Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0));
  return URL.createObjectURL(new Blob([bytes], { type: 'application/pdf' }));
}
