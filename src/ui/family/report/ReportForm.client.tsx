'use client';

import { useState, type FormEvent, type ReactNode } from 'react';
import { Outbox, type OutboxWords } from '../outbox/Outbox.client';
import { drop, keep, sendReport, type KeptReport } from '../outbox/outboxStore';

interface Props {
  readonly action: string;
  readonly words: OutboxWords;
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
    // What was refused can still be mended here; where it can't (the link is closed), it stays kept.
    if (sent.kind === 'taken' || (sent.kind === 'refused' && Object.keys(sent.fields).length > 0)) drop(report);
    if (sent.kind === 'refused' && Object.keys(sent.fields).length === 0) keep({ ...report, refused: sent.words });
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
      {state === 'kept' && <Outbox address={action} words={words} />}
    </form>
  );
}
