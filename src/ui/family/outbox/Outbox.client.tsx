'use client';

import { useEffect, useState } from 'react';
import { drop, keptReports, sendReport } from './outboxStore';

const AGAIN_MILLISECONDS = 4000;

/** Says what has not gone out yet, and tries again when the network is back and every few seconds. */
export function Outbox({ words }: { words: { readonly kept: string; readonly sent: string } }) {
  const [state, setState] = useState<'none' | 'kept' | 'sent'>('none');
  useEffect(() => {
    let ended = false;
    const flush = async () => {
      for (const report of keptReports()) {
        if (!ended) setState('kept');
        const sent = await sendReport(report);
        if (sent.kind === 'kept') return;
        drop(report);
        if (ended) return;
        setState('sent');
        if (sent.kind === 'taken') window.location.assign(sent.next);
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
  }, []);
  if (state === 'none') return null;
  return (
    <p role="status" className="mt-3 rounded-[6px] bg-straw-tint px-3 py-2 font-bold">
      {state === 'kept' ? words.kept : words.sent}
    </p>
  );
}
