import { requireMay } from '@/server/access';
import { screen } from '@/app/screen';
import { Shell } from '@/ui/desk/frame/Shell';
import { RosterScreen } from '@/ui/desk/students/roster/RosterScreen.client';
import { previewRosterAction, importRosterAction } from './actions';

export default async function ImportPage() {
  return screen(async (actor) => {
    requireMay(actor, 'addChildren');
    return (
      <Shell here="/caseload" actor={actor}>
        <RosterScreen preview={previewRosterAction} take={importRosterAction} />
      </Shell>
    );
  });
}
