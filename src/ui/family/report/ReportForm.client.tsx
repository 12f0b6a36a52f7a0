'use client';

import { useEffect, useRef, useState, type FormEvent, type ReactNode } from 'react';
import { dangerIn } from '@/core/safety';
import { Outbox, type OutboxWords } from '../outbox/Outbox.client';
import { drop, keep, sendReport, type KeptReport } from '../outbox/outboxStore';
import { draftOf, dropDraft, fillIn, keepDraft } from './draftStore';

export interface ReportFormWords extends OutboxWords {
  readonly sending: string;
  /** The page was opened on another day than it is now. */
  readonly whichDay: string;
  readonly onDay: string;
  readonly todayInstead: string;
}

interface Props {
  readonly action: string;
  readonly words: ReportFormWords;
  readonly versionTaskId: number;
  /** The step that the page shows. */
  readonly step: number;
  /** The day on which the page was made, in the family's zone. */
  readonly day: string;
  readonly timeZone: string;
  readonly children: ReactNode;
}

interface Wrong {
  readonly words: string;
  readonly fields: Readonly<Record<string, string>>;
}

const FREE_WORDS = new Set(['words', 'saidBy']);

const dayIn = (timeZone: string) => new Intl.DateTimeFormat('en-CA', { timeZone }).format(Date.now());

/**
 * A plain form that also sends by script: kept on the phone first, so that no network and a closed phone lose nothing. What was
 * counted and chosen stays too, through another step, a reload or a call, until it is sent or the day is over.
 */
export function ReportForm({ action, words, versionTaskId, step, day, timeZone, children }: Props) {
  const [state, setState] = useState<'open' | 'sending' | 'kept' | 'askDay'>('open');
  const [wrong, setWrong] = useState<Wrong | null>(null);
  const form = useRef<HTMLFormElement>(null);
  const pressed = useRef<HTMLElement | null>(null);
  /** True once it lies in the outbox: what is kept twice would be sent twice. */
  const isGone = useRef(false);
  const task = String(versionTaskId);

  useEffect(() => {
    const draft = draftOf(action, task, day);
    if (!draft || !form.current) return;
    const place = new URL(window.location.href);
    if (!place.searchParams.has('step') && draft.has('step') && draft.get('step') !== String(step)) {
      place.searchParams.set('step', draft.get('step')!);
      return window.location.replace(place);
    }
    fillIn(form.current, draft);
  }, [action, task, day, step]);

  useEffect(() => {
    for (const box of form.current?.querySelectorAll<HTMLElement>('[data-field]') ?? []) {
      const isWrong = wrong?.fields[box.dataset.field!] !== undefined;
      if (isWrong) box.setAttribute('aria-invalid', 'true');
      else box.removeAttribute('aria-invalid');
      if (isWrong) box.setAttribute('aria-describedby', `wrong-${box.dataset.field}`);
      else box.removeAttribute('aria-describedby');
    }
    for (const button of form.current?.querySelectorAll('button') ?? []) button.disabled = state === 'sending';
  }, [wrong, state]);

  // A tap counts after its own click: what is kept is what stands then.
  const keepSoon = () => setTimeout(() => form.current && !isGone.current && keepDraft(action, task, day, form.current), 0);

  const send = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    if (state === 'sending') return;
    // The answer to "which day" sends what was pressed before it.
    if (state !== 'askDay') pressed.current = (event.nativeEvent as SubmitEvent).submitter;
    const now = dayIn(timeZone);
    const told = new FormData(event.currentTarget).get('doneOn');
    // Left open over night: whose day it was is asked, not guessed.
    if (now !== day && told === day && state !== 'askDay') return setState('askDay');
    await sendNow(event.currentTarget);
  };

  const sendNow = async (shown: HTMLFormElement, doneOn?: string) => {
    const fields = [...new FormData(shown, pressed.current)].map(([name, value]): [string, string] => [
      name,
      name === 'doneOn' && doneOn ? doneOn : String(value),
    ]);
    const report: KeptReport = { address: action, fields };
    setState('sending');
    isGone.current = true;
    keep(report);
    const sent = await sendReport(report);
    const isToMend = sent.kind === 'refused' && Object.keys(sent.fields).length > 0;
    // What was refused can still be mended here; where it can't (the link is closed), it stays kept.
    if (sent.kind === 'taken' || isToMend) drop(report);
    if (sent.kind === 'refused' && !isToMend) keep({ ...report, refused: sent.words });
    isGone.current = !isToMend;
    if (!isToMend) dropDraft(action, task);
    if (sent.kind === 'taken') return window.location.assign(sent.next);
    setState(sent.kind === 'kept' ? 'kept' : 'open');
    // The server reads the words, too, once they reach it; till then nobody else does.
    if (sent.kind === 'kept' && fields.some(([name, value]) => FREE_WORDS.has(name) && dangerIn(value).length > 0))
      window.location.hash = '#hurt';
    if (sent.kind === 'refused') {
      setWrong(sent);
      shown.querySelector<HTMLElement>(`[data-field="${Object.keys(sent.fields)[0]}"]`)?.focus();
    }
  };

  return (
    <form ref={form} method="post" action={action} onSubmit={send} onInput={keepSoon} onChange={keepSoon} onClick={keepSoon}>
      {children}
      {wrong && (
        <div role="alert" className="wrong mt-3">
          {wrong.words}
          {Object.entries(wrong.fields).map(([field, said]) => (
            <p key={field} id={`wrong-${field}`}>
              {said}
            </p>
          ))}
        </div>
      )}
      <p role="status" className="mt-2 text-center font-bold">
        {state === 'sending' && words.sending}
      </p>
      {state === 'askDay' && (
        <div role="alert" className="watch mt-2">
          <p className="font-bold">{words.whichDay}</p>
          <button className="press mt-2">{words.onDay}</button>
          <button type="button" className="press mt-2" onClick={() => form.current && void sendNow(form.current, dayIn(timeZone))}>
            {words.todayInstead}
          </button>
        </div>
      )}
      {state === 'kept' && <Outbox address={action} words={words} />}
    </form>
  );
}
