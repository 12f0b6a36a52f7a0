'use client';

import { useState, type FormEvent, type ReactNode } from 'react';
import { Outbox } from '../outbox/Outbox.client';
import { drop, keep, sendReport, type KeptReport } from '../outbox/outboxStore';

interface Props {
  readonly action: string;
  readonly words: { readonly kept: string; readonly sent: string };
  readonly children: ReactNode;
}

/** A plain form that also sends by script: kept on the phone first, so that no network and a closed phone lose nothing. */
export function ReportForm({ action, words, children }: Props) {
  const [state, setState] = useState<'open' | 'sending' | 'kept'>('open');
  const [wrong, setWrong] = useState<string | null>(null);
  const send = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    if (state === 'sending') return;
    const form = event.currentTarget;
    const submitter = (event.nativeEvent as SubmitEvent).submitter;
    const fields = [...new FormData(form, submitter)].map(([name, value]): [string, string] => [name, String(value)]);
    const report: KeptReport = { address: action, fields };
    setState('sending');
    keep(report);
    const sent = await sendReport(report);
    if (sent.kind !== 'kept') drop(report);
    if (sent.kind === 'taken') return window.location.assign(sent.next);
    setState(sent.kind === 'kept' ? 'kept' : 'open');
    if (sent.kind === 'refused') {
      setWrong([sent.words, ...Object.values(sent.fields)].join(' '));
      const first = Object.keys(sent.fields)[0];
      form.querySelector<HTMLElement>(`[data-field="${first}"]`)?.focus();
    }
  };
  return (
    <form method="post" action={action} onSubmit={send}>
      {children}
      {wrong && (
        <p role="alert" className="wrong mt-3">
          {wrong}
        </p>
      )}
      {state === 'kept' && <Outbox words={words} />}
    </form>
  );
}
