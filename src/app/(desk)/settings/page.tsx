import { screen } from '@/app/screen';
import { advancingRuleAction } from './ruleAction';
import { viewSettings } from '@/server/settings/workplace';
import { SettingsScreen } from '@/ui/desk/settings/SettingsScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import {
  changePasswordAction,
  emergencyNumberAction,
  injuryEmailAction,
  keepingAction,
  languagesAction,
  postMinutesAction,
  readDaysAction,
  revokeSignInAction,
  signOutAction,
} from './actions';
import { signInRulesAction, disableSecondFactorAction, disableSecondFactorOfAction } from './trustActions';
import { closeAccountAction, inviteAction, revokeInvitationAction } from './peopleActions';

export default async function SettingsPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const isChanged = (await searchParams).said === 'password';
  return screen(async (actor, context) => {
    const view = await viewSettings(context, actor);
    return (
      <Shell here="/settings" actor={actor}>
        <SettingsScreen
          view={view}
          hereId={actor.signInId}
          revoke={revokeSignInAction}
          signOut={signOutAction}
          setNumber={emergencyNumberAction}
          setInjuryEmail={injuryEmailAction}
          setKeeping={keepingAction}
          setSignInRules={signInRulesAction}
          disableSecondFactor={disableSecondFactorAction}
          disableSecondFactorOf={disableSecondFactorOfAction}
          setHoldMinutes={postMinutesAction}
          setReadDays={readDaysAction}
          setRule={advancingRuleAction}
          changePassword={changePasswordAction}
          passwordIsChanged={isChanged}
          invite={inviteAction}
          revokeInvitation={revokeInvitationAction}
          closeAccount={closeAccountAction}
          setLanguages={languagesAction}
          ownId={actor.personId}
        />
      </Shell>
    );
  });
}
