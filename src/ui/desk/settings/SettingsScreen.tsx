import Link from 'next/link';
import type { Instant } from '@/core/calendar';
import { RULE_NAMES } from '@/core/stepRules';
import type { SettingsView } from '@/server/settings/workplace';
import { longDay, momentIn } from '../../shared/days';
import { languageName } from '../../shared/languageName';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { words } from '../../shared/deskWords';
import { WeekdayChecks } from '../parts/WeekdayChecks';
import type { InviteAction } from './InviteForm.client';
import { OnceConfirmed } from '../parts/OnceConfirmed';
import { PasswordSection, PeopleSection } from './PeopleSections';
import { FactorSection, KeepingSection, OwnTrail, SignInRulesSection } from './TrustSections';
import { SignOutButton } from '../measurements/visit/SignOutButton.client';

export interface SettingsProps {
  readonly view: SettingsView;
  readonly hereId: number;
  readonly revoke: WordedAction;
  readonly signOut: WordedAction;
  readonly setNumber: WordedAction;
  readonly setInjuryEmail: WordedAction;
  readonly setKeeping: WordedAction;
  readonly setSignInRules: WordedAction;
  readonly disableSecondFactor: WordedAction;
  readonly disableSecondFactorOf: WordedAction;
  /** How long a message waits for what else is decided. */
  readonly setHoldMinutes: WordedAction;
  /** On which days families' words are read. */
  readonly setReadDays: WordedAction;
  readonly setRule: WordedAction;
  readonly changePassword: WordedAction;
  /** True right after it was changed. */
  readonly passwordIsChanged: boolean;
  readonly invite: InviteAction;
  readonly revokeInvitation: WordedAction;
  readonly closeAccount: WordedAction;
  readonly setLanguages: WordedAction;
  readonly ownId: number;
}

export function SettingsScreen(props: SettingsProps) {
  const { view } = props;
  return (
    <div className="max-w-[760px] space-y-8">
      <div>
        <h1 className="text-[24px]">Settings</h1>
        <p className="mt-1">
          <Link className="link" href="/settings/data">
            Data import and export
          </Link>{' '}
          <span className="text-soft">files for other programs, policy packs, API keys</span>
        </p>
      </div>
      <InjurySection {...props} />
      <MessagesSection {...props} />
      <ReadDaysSection {...props} />
      <StepRuleSection {...props} />
      {view.mayChangeTrust && <KeepingSection view={view} setKeeping={props.setKeeping} />}
      <YearSection {...props} />
      <LanguagesSection {...props} />
      <PeopleSection
        view={view}
        invite={props.invite}
        takeBack={props.revokeInvitation}
        close={props.closeAccount}
        disableSecondFactor={props.disableSecondFactorOf}
        ownId={props.ownId}
      />
      <PasswordSection change={props.changePassword} isChanged={props.passwordIsChanged} />
      <FactorSection view={view} takeOff={props.disableSecondFactor} />
      <SignInRulesSection view={view} setRules={props.setSignInRules} />
      <SignInsSection {...props} />
      <section>
        <h2 className="text-[18px]">Clinical judgment</h2>
        <p className="mt-1">
          Yard Steps supports the therapist’s judgment. It does not replace it. No suggestion is carried out automatically. The rules of
          your school, district and state, and your license, come first.
        </p>
      </section>
    </div>
  );
}

/** The number that families call, and whether the lead gets an email. */
function InjurySection({ view, setNumber, setInjuryEmail }: SettingsProps) {
  return (
    <section>
      <h2 className="text-[18px]">When something hurts</h2>
      <p className="mt-1 text-soft">
        A family that reports pain or an injury sees at once: stop, call the child’s doctor, and in an emergency call this number.
      </p>
      {view.mayChangeTrust ? (
        <OnceConfirmed isConfirmed={view.isConfirmed} next="/settings" to={`change it from ${view.emergencyNumber}`}>
          <ActionForm action={setNumber} hidden={{}} className="mt-2">
            <span className="flex gap-3">
              <input
                name="emergencyNumber"
                aria-label="Emergency number"
                defaultValue={view.emergencyNumber}
                key={view.emergencyNumber}
                className="field w-[140px]"
              />
              <button className="act">Save</button>
            </span>
          </ActionForm>
        </OnceConfirmed>
      ) : (
        <p className="mt-2">{view.emergencyNumber}</p>
      )}
      {view.injuryEmail && !view.emailIsSent && (
        <p className="mt-3 border-l-4 border-brick bg-brick-tint px-3 py-1.5">
          No mail server is set up, so no injury email is sent. Ask your IT staff to set one up.
        </p>
      )}
      {view.mayChangeTrust && view.isConfirmed ? (
        <ActionForm action={setInjuryEmail} hidden={{}} className="mt-3">
          <label className="flex items-center gap-2">
            <input type="checkbox" name="injuryEmail" defaultChecked={view.injuryEmail} key={String(view.injuryEmail)} />
            Email the lead therapist when an injury is reported
          </label>
          <p className="mt-1 text-soft">One email a day for each student, with no name and no details.</p>
          <button className="act mt-2">Save</button>
        </ActionForm>
      ) : (
        <p className="mt-3 text-soft">
          {view.injuryEmail
            ? 'The lead therapist gets an email, with no name and no details, when an injury is reported.'
            : 'No email is sent when an injury is reported.'}
        </p>
      )}
    </section>
  );
}

/** How long a message waits for what else is decided. */
function MessagesSection({ view, setHoldMinutes }: SettingsProps) {
  return (
    <section>
      <h2 className="text-[18px]">Messages to families</h2>
      <p className="mt-1 text-soft">
        A family gets one message for all your decisions about a student. Choose how many minutes a message waits for more. Until then, you
        can cancel it.
      </p>
      <ActionForm action={setHoldMinutes} hidden={{}} className="mt-2">
        <span className="flex gap-3">
          <input
            name="postMinutes"
            inputMode="numeric"
            aria-label="Minutes that a message waits"
            defaultValue={view.postMinutes}
            key={view.postMinutes}
            className="field w-[140px]"
          />
          <button className="act">Save</button>
        </span>
      </ActionForm>
    </section>
  );
}

/** On which days a family may count on being read. */
function ReadDaysSection({ view, setReadDays }: SettingsProps) {
  return (
    <section>
      <h2 className="text-[18px]">Days when you read reports</h2>
      <p className="mt-1 text-soft">
        Families of the students you lead see on which days you read reports. Check none, and their pages promise nothing.
      </p>
      <ActionForm action={setReadDays} hidden={{}} className="mt-2">
        <span className="flex flex-wrap items-center gap-4">
          <WeekdayChecks chosen={view.readDays} />
          <button className="act">Save</button>
        </span>
      </ActionForm>
    </section>
  );
}

/** The rule by which steps are suggested, and why. */
function StepRuleSection({ view, setRule }: SettingsProps) {
  return (
    <section>
      <h2 className="text-[18px]">When a step is suggested</h2>
      <p className="mt-1 text-soft">
        For the students you lead. A student’s or a task’s own settings come first. No rule changes a step on its own. You decide.
      </p>
      <ActionForm action={setRule} hidden={{}} className="mt-2">
        <span className="flex gap-3">
          <select name="rule" aria-label="Rule" defaultValue={view.advancingRule} key={view.advancingRule} className="field">
            {RULE_NAMES.map((rule) => (
              <option key={rule} value={rule}>
                {words(`settings.advancing.${rule}`)}
              </option>
            ))}
          </select>
          <input
            name="reason"
            aria-label="Why this rule"
            placeholder="Why, for you to read later"
            maxLength={300}
            defaultValue={view.advancingReason}
            key={`why ${view.advancingReason}`}
            className="field grow"
          />
          <button className="act">Save</button>
        </span>
      </ActionForm>
      <p className="mt-1">
        <Link href="/step-rules" prefetch={false} className="link">
          Try rules on your own records and on simulated students
        </Link>
      </p>
    </section>
  );
}

/** The school year as it is set. */
function YearSection({ view }: SettingsProps) {
  return (
    <section>
      <h2 className="text-[18px]">The school year</h2>
      {view.calendar ? (
        <>
          <p className="mt-1">
            {longDay(view.calendar.firstDay)} to {longDay(view.calendar.lastDay)}, Monday–Friday, time zone {view.timeZone}.
          </p>
          <ul className="mt-1 text-soft">
            {view.calendar.breaks.map((pause) => (
              <li key={pause.from}>
                {pause.name}: {longDay(pause.from)} – {longDay(pause.to)}
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p className="mt-1 text-soft">No school year is set.</p>
      )}
      <p className="mt-2">
        <Link className="link" href="/settings/year" prefetch={false}>
          {view.calendar ? 'Change the year, schools, and visits' : 'Set it up'}
        </Link>
      </p>
    </section>
  );
}

/** Languages in which families may be written to. */
function LanguagesSection({ view, setLanguages }: SettingsProps) {
  return (
    <section>
      <h2 className="text-[18px]">Languages</h2>
      <p className="mt-1 text-soft">Languages for families. Families with another language get the closest one.</p>
      <ActionForm action={setLanguages} hidden={{}} className="mt-2">
        <span className="flex flex-wrap items-center gap-4">
          {view.allLanguages.map((language) => (
            <label key={language} className="flex items-center gap-1.5">
              <input
                type="checkbox"
                name="language"
                value={language}
                defaultChecked={view.languages.includes(language)}
                className="size-4 accent-green"
              />{' '}
              {languageName(language)}
            </label>
          ))}
          <button className="act">Save</button>
        </span>
      </ActionForm>
    </section>
  );
}

/** Every place where this person is signed in. */
function SignInsSection({ view, hereId, revoke, signOut }: SettingsProps) {
  const when = (moment: number) => momentIn(moment as Instant, view.timeZone);
  return (
    <section>
      <h2 className="text-[18px]">Your sessions</h2>
      <ul className="mt-1">
        {view.signIns.map((signIn) => (
          <li key={signIn.id} className="flex items-baseline justify-between gap-4 border-t border-line py-1.5">
            <span>
              {signIn.id === hereId ? <strong>here</strong> : signIn.device.slice(0, 60) || 'another place'}
              {signIn.address && `, from ${signIn.address}`}, since {when(signIn.createdAt)}, until {when(signIn.expiresAt)}
            </span>
            {signIn.id !== hereId && (
              <ActionForm action={revoke} hidden={{ signInId: signIn.id }}>
                <button className="link">Sign out there</button>
              </ActionForm>
            )}
          </li>
        ))}
      </ul>
      <ActionForm action={signOut} hidden={{}} className="mt-3">
        <SignOutButton says="Sign out here" />
      </ActionForm>
      <OwnTrail view={view} />
    </section>
  );
}
