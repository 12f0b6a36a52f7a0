'use client';

import { useActionState } from 'react';
import { FaultNote } from '../parts/FaultNote';

export type MadeKey = { readonly key: string } | { readonly fault: string } | null;
export type MakeKeyAction = (before: MadeKey, form: FormData) => Promise<MadeKey>;

/** Makes a key for a district's own program; it is shown once. */
export function KeyForm({ action }: { action: MakeKeyAction }) {
  const [answer, send, sending] = useActionState(action, null);
  return (
    <form action={send} className="mt-2">
      <span className="flex flex-wrap items-end gap-3">
        <label>
          <span className="block text-[13px]">What is it for?</span>
          <input name="name" required maxLength={80} className="field w-[280px]" />
        </label>
        <label>
          <span className="block text-[13px]">Valid for (days)</span>
          <input name="days" type="number" min={1} max={366} defaultValue={180} required className="field w-[100px]" />
        </label>
        <button className="act" disabled={sending}>
          Create a key
        </button>
      </span>
      {answer && 'fault' in answer && <FaultNote className="mt-2">{answer.fault}</FaultNote>}
      {answer && 'key' in answer && (
        <p role="status" className="mt-2">
          Store it where only that program can read it. It is not shown again:
          <input readOnly aria-label="Key" value={answer.key} className="field mt-1 w-full" onFocus={(event) => event.target.select()} />
        </p>
      )}
    </form>
  );
}
