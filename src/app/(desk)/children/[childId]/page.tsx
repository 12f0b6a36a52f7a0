import { screen } from '@/app/screen';
import { viewChild } from '@/server/caseload/viewChild';
import { ChildScreen } from '@/ui/desk/child/ChildScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { changeHomeAction, deleteChildAction, newLinkAction, revokeLinkAction, sendLinkAction } from './actions';

export default async function ChildPage({ params }: { params: Promise<{ childId: string }> }) {
  const { childId } = await params;
  return screen(async (actor, context) => {
    const view = await viewChild(context, actor, Number(childId));
    return (
      <Shell here="/yard" personName={actor.name}>
        <ChildScreen
          view={view}
          changeHome={changeHomeAction}
          revokeLink={revokeLinkAction}
          sendLink={sendLinkAction}
          newLink={newLinkAction}
          deleteChild={deleteChildAction}
        />
      </Shell>
    );
  });
}
