'use client';

import { useActionState, useEffect, useRef, useSyncExternalStore } from 'react';
import { languageName } from '@/ui/shared/languageName';
import { FaultNote } from '../parts/FaultNote';

export interface SetUpFault {
  readonly words: string;
  readonly fields: readonly string[];
  /** Values typed so far, so that nothing is lost; the password is typed again. */
  readonly typed: Readonly<Record<string, string>>;
  readonly languages: readonly string[];
}

interface Props {
  readonly action: (before: SetUpFault | null, form: FormData) => Promise<SetUpFault | null>;
  readonly token: string;
  /** The first account says where this is, too; null for those after it. */
  readonly first: {
    readonly zones: readonly string[];
    /** Offered by the settings of the installation; the browser's own where that is null. */
    readonly timeZone: string | null;
    readonly languages: readonly string[];
    readonly allLanguages: readonly string[];
  } | null;
}

const nothing = () => () => {};

/** The account that a one-time link offers. */
export function SetUpForm({ action, token, first }: Props) {
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
      <h1 className="text-[30px]">{first ? 'Set up Yard Steps' : 'Your account'}</h1>
      <p className="mt-1 text-soft">{first ? 'Create your account, and set up your school.' : 'You were invited to work here.'}</p>
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
          <span className="font-semibold">Email address</span>
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
            Use twelve characters or more, such as three or four words.
          </span>
        </label>
        {first && (
          <>
            <label className="block">
              <span className="font-semibold">Time zone of the school</span>
              <input
                {...field('timeZone')}
                key={here}
                defaultValue={fault?.typed.timeZone || first.timeZone || here}
                list="zones"
                required
                autoComplete="off"
                className="field mt-1 w-full text-[17px]"
              />
              <datalist id="zones">
                {first.zones.map((zone) => (
                  <option key={zone} value={zone} />
                ))}
              </datalist>
            </label>
            <label className="block">
              <span className="font-semibold">Emergency number for families</span>
              <input
                {...field('emergencyNumber')}
                defaultValue={fault?.typed.emergencyNumber ?? '911'}
                inputMode="tel"
                required
                autoComplete="off"
                className="field mt-1 w-full text-[17px]"
              />
            </label>
            <fieldset>
              <legend className="font-semibold">Languages for families</legend>
              {first.allLanguages.map((language) => (
                <label key={language} className="mt-1 mr-5 inline-flex items-center gap-2">
                  <input
                    type="checkbox"
                    name="languages"
                    value={language}
                    defaultChecked={(fault?.languages ?? first.languages).includes(language)}
                  />
                  {languageName(language)}
                </label>
              ))}
            </fieldset>
          </>
        )}
        {fault && <FaultNote>{fault.words}</FaultNote>}
        <button className="act act-main" disabled={sending}>
          Start
        </button>
      </form>
    </main>
  );
}
