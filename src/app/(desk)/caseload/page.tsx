import { requireMay } from '@/server/access';
import { screen } from '@/app/screen';
import { Shell } from '@/ui/desk/frame/Shell';
import { RosterScreen } from '@/ui/desk/roster/RosterScreen.client';
import { previewRosterAction, takeRosterAction } from './actions';

export default async function CaseloadPage() {
  return screen(async (actor) => {
    requireMay(actor, 'addChildren');
    return (
      <Shell here="/yard" actor={actor}>
        <RosterScreen preview={previewRosterAction} take={takeRosterAction} />
      </Shell>
    );
  });
}
