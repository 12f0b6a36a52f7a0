import { screen } from '@/app/screen';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { Builder } from '@/ui/desk/builder/Builder.client';
import { Shell } from '@/ui/desk/frame/Shell';
import { saveDraftAction, sendProgramAction } from './actions';

export default async function BuilderPage({ params }: { params: Promise<{ childId: string }> }) {
  const { childId } = await params;
  return screen(async (actor, context) => {
    const view = await viewBuilder(context, actor, Number(childId));
    return (
      <Shell here="/yard" actor={actor}>
        <Builder view={view} save={saveDraftAction} send={sendProgramAction} />
      </Shell>
    );
  });
}
