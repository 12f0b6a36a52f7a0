import { screen } from '@/app/screen';
import { viewChild } from '@/server/students/viewChild';
import { ChildScreen } from '@/ui/desk/students/ChildScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { changeHomeAction, deleteChildAction, newLinkAction, revokeLinkAction, sendLinkAction } from './actions';
import { comeBackAction, leaveAction, restAction, shareAction } from './moveActions';

export default async function ChildPage({ params }: { params: Promise<{ childId: string }> }) {
  const { childId } = await params;
  return screen(async (actor, context) => {
    const view = await viewChild(context, actor, Number(childId));
    return (
      <Shell here="/caseload" actor={actor}>
        <ChildScreen
          view={view}
          acts={{
            changeHome: changeHomeAction,
            revokeLink: revokeLinkAction,
            sendLink: sendLinkAction,
            newLink: newLinkAction,
            share: shareAction,
            rest: restAction,
            leave: leaveAction,
            comeBack: comeBackAction,
            deleteChild: deleteChildAction,
          }}
        />
      </Shell>
    );
  });
}
