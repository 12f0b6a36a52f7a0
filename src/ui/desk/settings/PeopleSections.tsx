import type { Instant } from '@/core/calendar';
import type { SettingsView } from '@/server/settings/workplace';
import { momentIn } from '../../shared/days';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { OnceConfirmed } from '../parts/OnceConfirmed';
import { InviteForm, type InviteAction } from './InviteForm.client';

interface Props {
  readonly view: SettingsView;
  readonly invite: InviteAction;
  readonly takeBack: WordedAction;
  /** Closes a colleague's account; whoever still leads children is named. */
  readonly close: WordedAction;
  /** For who lost phone and codes. */
  readonly disableSecondFactor: WordedAction;
  readonly ownId: number;
}

/** Lists the people who work here, and open invitations. */
export function PeopleSection({ view, invite, takeBack, close, disableSecondFactor, ownId }: Props) {
  const isOpen = view.mayChange && view.isConfirmed;
  return (
    <section id="people">
      <h2 className="text-[18px]">Staff</h2>
      <ul className="mt-1">
        {view.people.map((person) => (
          <li key={person.id} className="flex items-baseline justify-between gap-4 border-t border-line py-1.5">
            <span>
              {person.name},{' '}
              <span className="text-soft">{`${person.role}, leads ${person.leads}${person.hasFactor ? ', two-step verification' : ''}`}</span>
            </span>
            {isOpen && person.id !== ownId && (
              <span className="flex gap-4">
                {view.mayChangeTrust && person.hasFactor && (
                  <ActionForm action={disableSecondFactor} hidden={{ personId: person.id }}>
                    <button className="link">Turn off two-step verification</button>
                  </ActionForm>
                )}
                <ActionForm action={close} hidden={{ personId: person.id }}>
                  <button className="link">Close the account</button>
                </ActionForm>
              </span>
            )}
          </li>
        ))}
        {view.invitations.map((invitation) => (
          <li key={invitation.id} className="flex items-baseline justify-between gap-4 border-t border-line py-1.5">
            <span className="text-soft">
              an open invitation, {invitation.role}, until {momentIn(invitation.expiresAt as Instant, view.timeZone)}
            </span>
            {view.mayChange && (
              <ActionForm action={takeBack} hidden={{ invitationId: invitation.id }}>
                <button className="link">Cancel the invitation</button>
              </ActionForm>
            )}
          </li>
        ))}
      </ul>
      {view.mayChange && (
        <OnceConfirmed isConfirmed={view.isConfirmed} next="/settings#people" to="invite a colleague, or close an account">
          <InviteForm action={invite} mayInviteSupervisor={view.mayChangeTrust} />
        </OnceConfirmed>
      )}
    </section>
  );
}

export function PasswordSection({ change, isChanged }: { change: WordedAction; isChanged: boolean }) {
  return (
    <section id="password">
      <h2 className="text-[18px]">Your password</h2>
      <p className="mt-1 text-soft">Use twelve characters or more, such as three or four words. You will be signed out everywhere else.</p>
      {isChanged && (
        <p role="status" className="mt-2 font-semibold text-green">
          Your password is changed.
        </p>
      )}
      <ActionForm action={change} hidden={{}} className="mt-2">
        <span className="flex flex-wrap items-end gap-3">
          <label>
            <span className="block text-[13px]">Present password</span>
            <input name="current" type="password" autoComplete="current-password" required className="field w-[220px]" />
          </label>
          <label>
            <span className="block text-[13px]">New password</span>
            <input name="password" type="password" autoComplete="new-password" required minLength={12} className="field w-[220px]" />
          </label>
          <button className="act">Change it</button>
        </span>
      </ActionForm>
    </section>
  );
}
