import { screen } from '@/app/screen';
import { viewOutside } from '@/server/students/viewOutside';
import { OutsideScreen } from '@/ui/desk/students/OutsideScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { makeTeacherLinkAction, revokeTeacherLinksAction, setRemindersAction } from './actions';

export default async function OutsidePage({ params }: { params: Promise<{ childId: string }> }) {
  const { childId } = await params;
  return screen(async (actor, context) => (
    <Shell here="/caseload" actor={actor}>
      <OutsideScreen
        view={await viewOutside(context, actor, Number(childId))}
        setReminders={setRemindersAction}
        makeTeacherLink={makeTeacherLinkAction}
        revokeTeacherLinks={revokeTeacherLinksAction}
      />
    </Shell>
  ));
}
