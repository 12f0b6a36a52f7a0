'use client';

import { useActionState } from 'react';
import { FaultNote } from '../parts/FaultNote';

export type Invited = { readonly link: string } | { readonly fault: string } | null;
export type InviteAction = (before: Invited, form: FormData) => Promise<Invited>;

const ROLES = [
  ['therapist', 'a therapist'],
  ['assistant', 'an assistant'],
  ['supervisor', 'a supervisor'],
] as const;

/** Makes a one-time link for a colleague; it is shown once, to be handed on. */
export function InviteForm({ action, mayInviteSupervisor }: { action: InviteAction; mayInviteSupervisor: boolean }) {
  const [answer, send, sending] = useActionState(action, null);
  return (
    <form action={send} className="mt-2">
      <span className="flex items-center gap-3">
        <label>
          Invite{' '}
          <select name="role" defaultValue="therapist" className="field">
            {ROLES.filter(([role]) => role !== 'supervisor' || mayInviteSupervisor).map(([role, says]) => (
              <option key={role} value={role}>
                {says}
              </option>
            ))}
          </select>
        </label>
        <button className="act" disabled={sending}>
          Make a one-time link
        </button>
      </span>
      {answer && 'fault' in answer && <FaultNote className="mt-2">{answer.fault}</FaultNote>}
      {answer && 'link' in answer && (
        <p role="status" className="mt-2">
          Give this link to the person. It works once, for seven days, and is not shown again:
          <input
            readOnly
            aria-label="One-time link"
            value={answer.link}
            className="field mt-1 w-full"
            onFocus={(event) => event.target.select()}
          />
        </p>
      )}
    </form>
  );
}
