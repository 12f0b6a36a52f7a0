'use client';

import { useActionState, useRef, useState } from 'react';
import type { PolicyPreview } from '@/server/exchange/policyPack';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { FaultNote } from '../parts/FaultNote';

export type LookedAtPolicy = (PolicyPreview & { readonly text?: string }) | { readonly ok: false; readonly fault: string } | null;
export type PreviewPolicyAction = (before: LookedAtPolicy, form: FormData) => Promise<LookedAtPolicy>;

interface Props {
  readonly preview: PreviewPolicyAction;
  readonly take: WordedAction;
  readonly isConfirmed: boolean;
}

const RULES: Readonly<Record<string, string>> = {
  'suggestions.rule': 'your rule for suggestions',
  'suggestions.reason': 'why this rule was chosen',
  'families.postMinutes': 'minutes before a message is sent',
  'families.languages': 'languages of families',
  'keeping.auditDays': 'days to keep the access log',
  'keeping.messageDays': 'days to keep messages',
  'keeping.clipDays': 'days to keep videos from families',
  'keeping.leftChildYears': 'years after which a student who left is deleted',
  'signIn.idleMinutes': 'minutes of inactivity before sign-out',
  'signIn.signInDays': 'days before every session ends',
  'signIn.factorRequired': 'two-step verification for everyone',
};

const says = (value: unknown) =>
  value === null || value === ''
    ? '–'
    : value === true
      ? 'yes'
      : value === false
        ? 'no'
        : Array.isArray(value)
          ? value.join(', ')
          : String(value);

/** A policy pack from another workplace: looked at first, then taken over as a whole. */
export function PolicyPanel({ preview, take, isConfirmed }: Props) {
  const [seen, look, looking] = useActionState(preview, null);
  const text = useRef<HTMLTextAreaElement>(null);
  const readFile = async (file: File | undefined) => {
    if (file && text.current) text.current.value = (await file.text()).slice(0, 200_000);
  };
  return (
    <div className="mt-3">
      <form action={look}>
        <label className="block">
          <span className="block text-[13px]">Rules of another school: choose a policy pack, or paste it</span>
          <input
            type="file"
            accept=".json,application/json"
            className="my-1 block"
            onChange={(event) => void readFile(event.target.files?.[0])}
          />
          <textarea
            ref={text}
            name="pack"
            rows={4}
            required
            maxLength={200_000}
            className="field w-full font-mono text-[13px]"
            defaultValue={seen && 'text' in seen ? seen.text : ''}
            key={seen && 'text' in seen ? seen.text : ''}
          />
        </label>
        <button className="act mt-1" disabled={looking}>
          Preview the changes
        </button>
      </form>
      {seen && <Seen seen={seen} take={take} isConfirmed={isConfirmed} />}
    </div>
  );
}

function Seen({ seen, take, isConfirmed }: { seen: NonNullable<LookedAtPolicy>; take: WordedAction; isConfirmed: boolean }) {
  // Belongs to the pack that was looked at: another pack starts again.
  const [taken, setTaken] = useState<typeof seen | null>(null);
  if (taken === seen)
    return (
      <p role="status" className="mt-2 border-l-4 border-green px-3 py-1.5">
        Imported. Settings show the rules as they are now.
      </p>
    );
  if ('fault' in seen) return <FaultNote className="mt-2">{seen.fault}</FaultNote>;
  if (!seen.ok)
    return (
      <FaultNote className="mt-2">
        This file is not a valid policy pack.
        <span className="mt-1 block">
          {seen.faults.slice(0, 12).map(({ path, said }) => (
            <span key={`${path} ${said}`} className="block">
              {path || 'the file'}: {said}
            </span>
          ))}
        </span>
      </FaultNote>
    );
  if (seen.differences.length === 0)
    return (
      <p role="status" className="mt-2">
        “{seen.name}” has the same rules as yours.
      </p>
    );
  return (
    <div role="status" className="mt-3">
      <table className="w-full">
        <caption className="text-left">“{seen.name}” would change:</caption>
        <thead>
          <tr className="text-left text-[13px] text-soft">
            <th scope="col">Rule</th>
            <th scope="col">Now</th>
            <th scope="col">Then</th>
          </tr>
        </thead>
        <tbody>
          {seen.differences.map(({ path, from, to }) => (
            <tr key={path} className="border-t border-line">
              <th scope="row" className="py-1 pr-3 text-left font-normal">
                {RULES[path] ?? path}
              </th>
              <td className="pr-3 text-soft">{says(from)}</td>
              <td className="font-semibold">{says(to)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {!seen.mayTake ? (
        <p className="mt-2">It changes sign-in rules, so a supervisor must import it.</p>
      ) : isConfirmed ? (
        <ActionForm action={take} hidden={{ pack: seen.text ?? '' }} onDone={() => setTaken(seen)} className="mt-2">
          <button className="act">Use these rules</button>
        </ActionForm>
      ) : (
        <p className="mt-2">
          <a className="link" href={`/confirm?next=${encodeURIComponent('/settings/data#rules')}`}>
            Enter your password to use them
          </a>
          . Then preview the pack again.
        </p>
      )}
    </div>
  );
}
