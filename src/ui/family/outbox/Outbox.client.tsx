'use client';

import { useEffect, useState } from 'react';
import { drop, keep, keptReports, sendReport } from './outboxStore';

const AGAIN_MILLISECONDS = 4000;

export interface OutboxWords {
  readonly kept: string;
  readonly sent: string;
  /** Before and after the reason. */
  readonly refused: readonly [string, string];
  readonly showDay: string;
}

type State =
  | { readonly kind: 'none' | 'kept' }
  | { readonly kind: 'sent'; readonly next: string }
  | { readonly kind: 'refused'; readonly why: string };

/**
 * Says what of this family has not gone out yet, and tries again when the network is back and every few seconds. It never
 * leads anywhere else, and never sends what another family kept on the same phone.
 * @param address where this family's reports go
 */
export function Outbox({ address, words }: { address: string; words: OutboxWords }) {
  const [state, setState] = useState<State>({ kind: 'none' });
  // What was said of the last sending is said once: a bookmark or a reload later says nothing of it.
  useEffect(() => {
    const place = new URL(window.location.href);
    if (!place.searchParams.has('said')) return;
    place.searchParams.delete('said');
    window.history.replaceState(window.history.state, '', place);
  }, []);
  useEffect(() => {
    let ended = false;
    const flush = async () => {
      for (const report of keptReports().filter((each) => each.address === address)) {
        if (report.refused !== undefined) {
          if (!ended) setState({ kind: 'refused', why: report.refused });
          continue;
        }
        if (!ended) setState({ kind: 'kept' });
        const sent = await sendReport(report);
        if (sent.kind === 'kept') return;
        if (sent.kind === 'refused') keep({ ...report, refused: [sent.words, ...Object.values(sent.fields)].join(' ') });
        else drop(report);
        if (ended) return;
        setState(sent.kind === 'taken' ? { kind: 'sent', next: sent.next } : { kind: 'refused', why: sent.words });
      }
    };
    void flush();
    const timer = setInterval(() => void flush(), AGAIN_MILLISECONDS);
    window.addEventListener('online', flush);
    return () => {
      ended = true;
      clearInterval(timer);
      window.removeEventListener('online', flush);
    };
  }, [address]);
  return (
    <div role="status">
      {state.kind !== 'none' && (
        <p className="mt-3 rounded-[6px] bg-straw-tint px-3 py-2 font-bold">
          {state.kind === 'kept' && words.kept}
          {state.kind === 'sent' && (
            <>
              {words.sent}{' '}
              <a className="underline" href={state.next}>
                {words.showDay}
              </a>
            </>
          )}
          {state.kind === 'refused' && `${words.refused[0]}${state.why}${words.refused[1]}`}
        </p>
      )}
    </div>
  );
}
