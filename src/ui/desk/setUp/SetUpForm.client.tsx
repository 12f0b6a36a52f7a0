'use client';

import { useActionState, useEffect, useRef, useSyncExternalStore } from 'react';

export interface SetUpFault {
  readonly words: string;
  readonly fields: readonly string[];
  /** What was written, so that nothing is lost; the password is written anew. */
  readonly typed: Readonly<Record<string, string>>;
}

interface Props {
  readonly action: (before: SetUpFault | null, form: FormData) => Promise<SetUpFault | null>;
  readonly token: string;
  /** The first account says where this is, too. */
  readonly isFirst: boolean;
  readonly zones: readonly string[];
}

const nothing = () => () => {};

/** The account that a one-time link offers. */
export function SetUpForm({ action, token, isFirst, zones }: Props) {
  const [fault, send, sending] = useActionState(action, null);
  const form = useRef<HTMLFormElement>(null);
  const here = useSyncExternalStore(
    nothing,
    () => Intl.DateTimeFormat().resolvedOptions().timeZone,
    () => '',
  );
  useEffect(() => form.current?.querySelector<HTMLElement>('[aria-invalid=true]')?.focus(), [fault]);
  const field = (name: string) => ({
    name,
    'aria-invalid': fault?.fields.includes(name) || undefined,
    defaultValue: fault?.typed[name] ?? '',
  });
  return (
    <main className="mx-auto max-w-[440px] px-6 pt-[8vh] pb-10">
      <h1 className="text-[30px]">{isFirst ? 'Set up Yard Steps' : 'Your account'}</h1>
      <p className="mt-1 text-soft">{isFirst ? 'Your own account, and where you work.' : 'You were invited to work here.'}</p>
      <form ref={form} key={String(fault?.words)} action={send} className="mt-6 space-y-4">
        <input type="hidden" name="token" value={token} />
        <label className="block">
          <span className="font-semibold">Your name</span>
          <input
            {...field('name')}
            autoComplete="name"
            required
            autoFocus={!fault}
            maxLength={80}
            className="field mt-1 w-full text-[17px]"
          />
        </label>
        <label className="block">
          <span className="font-semibold">E-mail address</span>
          <input {...field('email')} type="email" autoComplete="username" required className="field mt-1 w-full text-[17px]" />
        </label>
        <label className="block">
          <span className="font-semibold">Password</span>
          <input
            {...field('password')}
            type="password"
            autoComplete="new-password"
            required
            minLength={12}
            className="field mt-1 w-full text-[17px]"
            aria-describedby="password-says"
          />
          <span id="password-says" className="text-[13px] text-soft">
            Twelve letters or more: three or four words do well.
          </span>
        </label>
        {isFirst && (
          <>
            <label className="block">
              <span className="font-semibold">Time zone of the school</span>
              <input
                {...field('timeZone')}
                key={here}
                defaultValue={fault?.typed.timeZone || here}
                list="zones"
                required
                autoComplete="off"
                className="field mt-1 w-full text-[17px]"
              />
              <datalist id="zones">
                {zones.map((zone) => (
                  <option key={zone} value={zone} />
                ))}
              </datalist>
            </label>
            <label className="block">
              <span className="font-semibold">Number that families call in an emergency</span>
              <input
                {...field('emergencyNumber')}
                defaultValue={fault?.typed.emergencyNumber ?? '911'}
                inputMode="tel"
                required
                autoComplete="off"
                className="field mt-1 w-full text-[17px]"
              />
            </label>
          </>
        )}
        {fault && (
          <p role="alert" className="border-l-4 border-brick bg-brick-tint px-3 py-2">
            {fault.words}
          </p>
        )}
        <button className="act act-main" disabled={sending}>
          Begin
        </button>
      </form>
    </main>
  );
}
