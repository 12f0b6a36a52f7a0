import { screen } from '@/app/screen';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { Builder } from '@/ui/desk/builder/Builder.client';
import { cardIn } from '@/ui/desk/rounds/roundsAddress';
import { Shell } from '@/ui/desk/frame/Shell';
import { keepTemplateAction } from '../../../plan/actions';
import { saveDraftAction, sendProgramAction } from './actions';

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function BuilderPage({ params, searchParams }: { params: Promise<{ childId: string }>; searchParams: Search }) {
  const { childId } = await params;
  const back = cardIn(await searchParams);
  return screen(async (actor, context) => {
    const view = await viewBuilder(context, actor, Number(childId));
    return (
      <Shell here="/yard" actor={actor}>
        <Builder view={view} back={back} save={saveDraftAction} send={sendProgramAction} keepWeek={keepTemplateAction} />
      </Shell>
    );
  });
}
