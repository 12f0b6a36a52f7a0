'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { JobProgress } from '../parts/JobProgress';
import { linesOf, Refused } from '../parts/linesOf';

type Line = { readonly done: number; readonly of: number } | { readonly fault: string } | { readonly left: readonly unknown[] };

type State =
  | { readonly is: 'ready' | 'stopped' | 'done' }
  | { readonly is: 'planning'; readonly done: number; readonly of: number }
  | { readonly is: 'fault'; readonly words: string };

/** Plans a caseload while one looks on; stopped, what was planned so far stays. */
export function PlanRun({ of, children }: { readonly of: number; readonly children: React.ReactNode }) {
  const [state, setState] = useState<State>({ is: 'ready' });
  const stop = useRef<AbortController | null>(null);
  const router = useRouter();
  const run = async (form: FormData) => {
    const stopping = (stop.current = new AbortController());
    setState({ is: 'planning', done: 0, of });
    try {
      for await (const line of linesOf<Line>('/planner/make', form, stopping.signal)) {
        if ('done' in line) setState({ is: 'planning', done: line.done, of: line.of });
        else if ('fault' in line) setState({ is: 'fault', words: line.fault });
        else setState({ is: 'done' });
      }
    } catch (error) {
      if (stopping.signal.aborted) setState({ is: 'stopped' });
      else if (error instanceof Refused) setState({ is: 'fault', words: error.message });
      // Asking for the page anew while nobody answers would take these words away with it.
      else return setState({ is: 'fault', words: 'The planner did not answer. The plans made so far are kept. Load this page again.' });
    }
    router.refresh();
  };
  return (
    <>
      <form
        className="mt-4 flex flex-wrap items-end gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void run(new FormData(event.currentTarget));
        }}
      >
        {children}
        <button className="act act-main" disabled={state.is === 'planning'} data-key="p" data-key-says="Plan next week">
          Plan next week
        </button>
      </form>
      <div role="status" className="mt-3">
        {state.is === 'planning' && <JobProgress done={state.done} of={state.of} stop={() => stop.current?.abort()} />}
        {state.is === 'stopped' && <p>Stopped. What was planned so far stands below.</p>}
        {state.is === 'fault' && <p className="font-semibold text-brick">{state.words}</p>}
      </div>
    </>
  );
}
