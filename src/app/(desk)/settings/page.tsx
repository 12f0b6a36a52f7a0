import { screen } from '@/app/screen';
import { viewSettings } from '@/server/settings/workplace';
import { SettingsScreen } from '@/ui/desk/settings/SettingsScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { auditDaysAction, emergencyNumberAction, postMinutesAction, revokeSignInAction, signOutAction } from './actions';

export default async function SettingsPage() {
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
        />
      </Shell>
    );
  });
}
