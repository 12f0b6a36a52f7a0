import { screen } from '@/app/screen';
import { viewSettings } from '@/server/settings/workplace';
import { SettingsScreen } from '@/ui/desk/settings/SettingsScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import {
  auditDaysAction,
  changePasswordAction,
  emergencyNumberAction,
  inviteAction,
  postMinutesAction,
  revokeSignInAction,
  signOutAction,
  takeInvitationBackAction,
} from './actions';

export default async function SettingsPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const isChanged = (await searchParams).said === 'password';
  return screen(async (actor, context) => {
    const view = await viewSettings(context, actor);
    return (
      <Shell here="/settings" personName={actor.name}>
        <SettingsScreen
          view={view}
          hereId={actor.signInId}
          revoke={revokeSignInAction}
          signOut={signOutAction}
          setNumber={emergencyNumberAction}
          setAuditDays={auditDaysAction}
          setPostMinutes={postMinutesAction}
          changePassword={changePasswordAction}
          passwordIsChanged={isChanged}
          invite={inviteAction}
          takeInvitationBack={takeInvitationBackAction}
        />
      </Shell>
    );
  });
}
