'use client';

import { useEffect, useRef, useState, useSyncExternalStore, type FormEvent, type ReactNode } from 'react';
import { drop, keep, keptReports, sendReport, type KeptReport, type Sending } from '../outbox/outboxStore';

interface Props {
  readonly action: string;
  readonly words: { readonly kept: string; readonly sent: string; readonly slip: string; readonly tell: string };
  readonly children: ReactNode;
}

const SLIP_MILLISECONDS = 60_000;
const nothing = () => () => {};

/**
 * What *Something hurt* sends. The fixed words above it are there at the touch, by the address alone: without scripts and
 * without network. With scripts the touch itself is told at once (and kept till it is), so that the task stays closed; for a
 * minute, and while nothing was told, it can be called a slip.
 */
export function HurtForm({ action, words, children }: Props) {
  const form = useRef<HTMLFormElement>(null);
  const pressed = useRef(false);
  const [state, setState] = useState<'open' | 'kept' | 'sent'>('open');
  const [maySlip, setMaySlip] = useState(false);
  const scripted = useSyncExternalStore(
    nothing,
    () => true,
    () => false,
  );
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const waits = waitsHere(form.current!, action);
    const press = async () => {
      if (window.location.hash !== '#hurt') {
        // Going back opens nothing: only a slip, or a person, does.
        if (pressed.current) window.location.replace('#hurt');
        return;
      }
      if (pressed.current) return;
      pressed.current = true;
      document.getElementById('hurt-title')?.focus();
      if (waits) return setState('kept');
      setMaySlip(true);
      timer = setTimeout(() => setMaySlip(false), SLIP_MILLISECONDS);
      setState(stateAfter(await send(form.current!, action, [['press', 'pressed']])));
    };
    // What was pressed here and has not gone out yet keeps the task closed on this phone.
    if (waits) window.location.replace('#hurt');
    void press();
    window.addEventListener('hashchange', press);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('hashchange', press);
    };
  }, [action]);
  const tell = async (event: FormEvent) => {
    event.preventDefault();
    setMaySlip(false);
    const sent = await send(form.current!, action, []);
    if (sent.kind === 'taken') return window.location.assign(sent.next);
    setState(stateAfter(sent));
  };
  const slip = async () => {
    setMaySlip(false);
    const sent = await send(form.current!, action, [['press', 'mistake']]);
    pressed.current = false;
    window.location.hash = '';
    // Drawn anew the page has a key of its own for what may come next; with no network it is given one here.
    if (sent.kind === 'taken') return window.location.reload();
    form.current!.querySelector<HTMLInputElement>('[name=idempotencyKey]')!.value = newKey();
    setState('open');
  };
  return (
    <form ref={form} method="post" action={action} onSubmit={(event) => void tell(event)}>
      {children}
      <p role="status" className="mt-3 font-bold">
        {state === 'kept' ? words.kept : state === 'sent' ? words.sent : ''}
      </p>
      <button className="press press-main mt-3">{words.tell}</button>
      {!scripted && (
        <a className="press mt-2.5" href="#top">
          {words.slip}
        </a>
      )}
      {scripted && maySlip && (
        <button type="button" className="press mt-2.5" onClick={() => void slip()}>
          {words.slip}
        </button>
      )}
    </form>
  );
}

async function send(form: HTMLFormElement, address: string, more: readonly (readonly [string, string])[]): Promise<Sending> {
  const fields = [...new FormData(form)].map(([name, value]): [string, string] => [name, String(value)]);
  const report: KeptReport = { address, fields: [...fields, ...more] };
  keep(report);
  const sent = await sendReport(report);
  if (sent.kind === 'taken') drop(report);
  return sent;
}

const stateAfter = ({ kind }: Sending) => (kind === 'taken' ? 'sent' : 'kept');

/** True while harm at this very task is kept on the phone, not called a slip. */
function waitsHere(form: HTMLFormElement, address: string): boolean {
  const versionTaskId = String(new FormData(form).get('versionTaskId'));
  return keptReports().some(
    (report) =>
      report.address === address &&
      has(report, 'versionTaskId', versionTaskId) &&
      has(report, 'hurt', 'on') &&
      !has(report, 'press', 'mistake'),
  );
}

function has({ fields }: KeptReport, name: string, value: string): boolean {
  return fields.some(([each, what]) => each === name && what === value);
}

/** A random UUID; older phones have no `crypto.randomUUID`. */
function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6]! & 0x0f) | 0x40;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}
