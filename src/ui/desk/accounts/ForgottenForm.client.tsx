'use client';

import Link from 'next/link';
import { useActionState } from 'react';
import { FaultNote } from '../parts/FaultNote';

export type Asked = { readonly isAsked: true } | { readonly fault: string } | null;

/** Asks for a one-time link. The answer is the same whether anybody has the address or not. */
export function ForgottenForm({ action }: { action: (before: Asked, form: FormData) => Promise<Asked> }) {
  const [asked, send, sending] = useActionState(action, null);
  return (
    <main className="mx-auto max-w-[400px] px-6 pt-[14vh]">
      <h1 className="text-[30px]">New password</h1>
      {asked && 'isAsked' in asked ? (
        <p role="status" className="mt-4">
          If an account has this address, we sent a link. It works once, within an hour.
        </p>
      ) : (
        <form action={send} className="mt-6 space-y-4">
          <label className="block">
            <span className="font-semibold">Email address of your account</span>
            <input name="email" type="email" autoComplete="username" required autoFocus className="field mt-1 w-full text-[17px]" />
          </label>
          {asked && 'fault' in asked && <FaultNote>{asked.fault}</FaultNote>}
          <button className="act act-main" disabled={sending}>
            Send me a link
          </button>
        </form>
      )}
      <p className="mt-6">
        <Link className="link" href="/sign-in">
          Back to sign-in
        </Link>
      </p>
    </main>
  );
}
