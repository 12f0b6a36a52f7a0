'use client';

import { useActionState } from 'react';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { FaultNote } from '../parts/FaultNote';

function CodeField({ says }: { says: string }) {
  return (
    <label className="block">
      <span className="font-semibold">{says}</span>
      <input
        name="code"
        autoComplete="one-time-code"
        autoCapitalize="none"
        spellCheck={false}
        required
        autoFocus
        maxLength={40}
        className="field mt-1 w-full text-[20px] tracking-[0.1em]"
      />
    </label>
  );
}

/** The code at sign-in: of the app, or one of the recovery codes. */
export function GiveCode({ action, signOut }: { action: WordedAction; signOut: WordedAction }) {
  return (
    <>
      <ActionForm action={action} hidden={{}} className="mt-6 space-y-4">
        <CodeField says="Authenticator code or recovery code" />
        <button className="act act-main">Sign in</button>
      </ActionForm>
      <ActionForm action={signOut} hidden={{}} className="mt-6">
        <button className="link">Not you? Leave.</button>
      </ActionForm>
    </>
  );
}

export type TakenOn = { readonly codes: readonly string[] } | { readonly fault: string } | null;

/** A new second factor: the picture is scanned, the first code says that it arrived, and the recovery codes are told once. */
export function TakeOn({
  offer,
  action,
  next,
}: {
  offer: { readonly secret: string; readonly qr: string };
  action: (before: TakenOn, form: FormData) => Promise<TakenOn>;
  next: string;
}) {
  const [taken, send, sending] = useActionState(action, null);
  if (taken && 'codes' in taken) {
    return (
      <section className="mt-6">
        <p role="status" className="font-semibold text-green">
          Two-step verification is on.
        </p>
        <p className="mt-2">
          Write down these recovery codes or print this page. If you lose your phone, each code works once. They are not shown again.
        </p>
        <ul className="mt-3 columns-2 font-mono text-[17px]" aria-label="Recovery codes">
          {taken.codes.map((code) => (
            <li key={code}>{`${code.slice(0, 5)} ${code.slice(5)}`}</li>
          ))}
        </ul>
        <p className="mt-6">
          <a className="act act-main" href={next}>
            I have them
          </a>
        </p>
      </section>
    );
  }
  return (
    <form action={send} className="mt-6 space-y-4">
      <p>Scan this QR code with an authenticator app. No other service sees it.</p>
      <div
        role="img"
        aria-label="QR code for the authenticator app"
        className="w-[220px] border border-line bg-white p-1"
        dangerouslySetInnerHTML={{ __html: offer.qr }}
      />
      <p>
        Or type it in: <code className="font-mono text-[15px] break-all">{offer.secret}</code>
      </p>
      <CodeField says="The code that the app shows now" />
      {taken && <FaultNote>{taken.fault}</FaultNote>}
      <button className="act act-main" disabled={sending}>
        Turn on
      </button>
    </form>
  );
}
