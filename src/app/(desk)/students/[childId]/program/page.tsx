import { screen } from '@/app/screen';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { Builder } from '@/ui/desk/programs/Builder.client';
import { cardIn } from '@/ui/desk/review/reviewAddress';
import { Shell } from '@/ui/desk/frame/Shell';
import { saveTemplateAction } from '../../../planner/actions';
import { saveDraftAction, sendProgramAction } from './actions';

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function BuilderPage({ params, searchParams }: { params: Promise<{ childId: string }>; searchParams: Search }) {
  const { childId } = await params;
  const back = cardIn(await searchParams);
  return screen(async (actor, context) => {
    const view = await viewBuilder(context, actor, Number(childId));
    return (
      <Shell here="/caseload" actor={actor}>
        <Builder view={view} back={back} save={saveDraftAction} send={sendProgramAction} keepWeek={saveTemplateAction} />
      </Shell>
    );
  });
}
