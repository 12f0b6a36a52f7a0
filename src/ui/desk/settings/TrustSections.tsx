import Link from 'next/link';
import type { SettingsView } from '@/server/settings/workplace';
import { momentIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { OnceConfirmed } from '../parts/OnceConfirmed';

function NumberField({ name, says, value }: { name: string; says: string; value: number | null }) {
  return (
    <label className="flex items-center gap-3">
      <input name={name} inputMode="numeric" defaultValue={value ?? ''} key={value} className="field w-[90px]" /> {says}
    </label>
  );
}

/** How long things are kept before the house forgets them by itself. */
export function KeepingSection({ view, setKeeping }: { view: SettingsView; setKeeping: WordedAction }) {
  return (
    <section id="keeping">
      <h2 className="text-[18px]">How long data is kept</h2>
      <p className="mt-1 text-soft">
        Every time someone opens or changes a student’s record, the access log keeps it. Entries older than the numbers below are deleted
        automatically each night. Ask your district what its rules are.
      </p>
      {view.mayChange ? (
        <OnceConfirmed isConfirmed={view.isConfirmed} next="/settings#keeping" to="change it">
          <ActionForm action={setKeeping} hidden={{}} className="mt-2">
            <span className="flex flex-col items-start gap-2">
              <NumberField name="auditDays" says="Days: access log" value={view.auditDays} />
              <NumberField name="messageDays" says="Days: messages and received texts" value={view.messageDays} />
              <NumberField name="clipDays" says="Days: videos and photos from families" value={view.clipDays} />
              <NumberField
                name="leftChildYears"
                says="Years: a student off the caseload (empty: until someone deletes it)"
                value={view.leftChildYears}
              />
              <button className="act">Save</button>
            </span>
          </ActionForm>
        </OnceConfirmed>
      ) : null}
    </section>
  );
}

/** The actor's own second factor. */
export function FactorSection({ view, takeOff }: { view: SettingsView; takeOff: WordedAction }) {
  const { since, codesLeft } = view.factor;
  return (
    <section id="second-factor">
      <h2 className="text-[18px]">Two-step verification</h2>
      <p className="mt-1 text-soft">In addition to your password, enter a six-digit code from an app on your phone (TOTP).</p>
      {since === null ? (
        <p className="mt-2">
          <Link className="link" href="/two-step" prefetch={false}>
            Set it up
          </Link>
        </p>
      ) : (
        <>
          <p className="mt-2">
            On since {momentIn(since, view.timeZone)}. {codesLeft === 1 ? '1 recovery code' : `${codesLeft} recovery codes`} left.
          </p>
          <OnceConfirmed isConfirmed={view.isConfirmed} next="/settings#second-factor" to="turn it off, or on again with new codes">
            <ActionForm action={takeOff} hidden={{}} className="mt-2">
              <button className="act">Turn it off</button>
            </ActionForm>
          </OnceConfirmed>
        </>
      )}
    </section>
  );
}

/** Sets the rules of everyone's sign-in. */
export function SignInRulesSection({ view, setRules }: { view: SettingsView; setRules: WordedAction }) {
  const isAsked = view.factorRequired || view.factorByInstallation;
  return (
    <section id="sign-in-rules">
      <h2 className="text-[18px]">Sign-in rules for everyone</h2>
      <p className="mt-1">
        A session ends after {view.idleMinutes} minutes without a request, and{' '}
        {view.signInDays === 1 ? 'after a day' : `after ${view.signInDays} days`} at the latest. Two-step verification is{' '}
        {isAsked ? 'required for everyone' : 'optional'}
        {view.factorByInstallation && ', by the settings of the installation'}.
      </p>
      {view.mayChangeTrust ? (
        <OnceConfirmed isConfirmed={view.isConfirmed} next="/settings#sign-in-rules" to="change it">
          <ActionForm action={setRules} hidden={{}} className="mt-2">
            <span className="flex flex-col items-start gap-2">
              <NumberField name="idleMinutes" says="Minutes without a request" value={view.idleMinutes} />
              <NumberField name="signInDays" says="Days at most" value={view.signInDays} />
              <label className="flex items-center gap-3">
                <input type="checkbox" name="factorRequired" defaultChecked={view.factorRequired} className="size-4 accent-green" /> Require
                two-step verification for everyone
              </label>
              <button className="act">Save</button>
            </span>
          </ActionForm>
        </OnceConfirmed>
      ) : null}
    </section>
  );
}

/** Shows the events of the person's own account: a sign-in that was not theirs is seen here. */
export function OwnTrail({ view }: { view: SettingsView }) {
  if (view.ownTrail.length === 0) return null;
  return (
    <details className="mt-4">
      <summary className="link inline">Account history</summary>
      <ul className="mt-2">
        {view.ownTrail.map((row) => (
          <li key={row.id} className="border-t border-line py-1">
            {momentIn(row.at, view.timeZone)}: {words(`audit.${row.action}`, row.numbers)}
          </li>
        ))}
      </ul>
    </details>
  );
}
