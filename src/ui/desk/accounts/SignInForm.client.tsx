'use client';

import Link from 'next/link';
import { useActionState } from 'react';
import { FaultNote } from '../parts/FaultNote';

export function SignInForm({ action }: { action: (before: string | null, form: FormData) => Promise<string | null> }) {
  const [fault, send, sending] = useActionState(action, null);
  return (
    <main className="mx-auto max-w-[400px] px-6 pt-[14vh]">
      <svg width="64" height="48" viewBox="0 0 25 19" aria-hidden="true">
        <path d="M0 19V13H8V7H16V0H25V19Z" fill="var(--color-green)" />
      </svg>
      <h1 className="mt-4 text-[30px]">Yard Steps</h1>
      <p className="mt-1 text-soft">Home programs for fine motor skills.</p>
      <form action={send} className="mt-8 space-y-4">
        <label className="block">
          <span className="font-semibold">Address</span>
          <input name="email" type="email" autoComplete="username" required autoFocus className="field mt-1 w-full text-[17px]" />
        </label>
        <label className="block">
          <span className="font-semibold">Password</span>
          <input name="password" type="password" autoComplete="current-password" required className="field mt-1 w-full text-[17px]" />
        </label>
        {fault && <FaultNote>{fault}</FaultNote>}
        <button className="act act-main" disabled={sending}>
          Sign in
        </button>
      </form>
      <p className="mt-4">
        <Link className="link" href="/forgot-password">
          Forgot the password?
        </Link>
      </p>
      <p className="mt-10 text-[14px] text-soft">
        Yard Steps supports, and does not replace, the therapist’s judgment. Follow the rules of your school, district and state, and your
        license.
      </p>
    </main>
  );
}
