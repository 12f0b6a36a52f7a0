import { thingsOf } from '@/core/library';
import { screen } from '@/app/screen';
import { viewTaskEditor } from '@/server/tasks/viewTaskEditor';
import { TaskEditor } from '@/ui/desk/tasks/editor/TaskEditor.client';
import { usualKnobs } from '@/ui/desk/tasks/editor/usualLevels';
import { cardIn } from '@/ui/desk/review/reviewAddress';
import { Shell } from '@/ui/desk/frame/Shell';
import { copyTaskAction, deleteDraftAction, saveTaskDraftAction, setShelfAction, shelveTaskAction, versionAction } from '../actions';

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function TaskEditorPage({ params, searchParams }: { params: Promise<{ slug: string }>; searchParams: Search }) {
  const { slug } = await params;
  const back = cardIn(await searchParams);
  return screen(async (actor, context) => {
    const { library, ...view } = await viewTaskEditor(context, actor, slug);
    const usual = await usualKnobs();
    return (
      <Shell here="/tasks" actor={actor}>
        <TaskEditor
          usual={usual}
          back={back}
          key={slug}
          view={{ ...view, things: thingsOf(library) }}
          keep={saveTaskDraftAction}
          shelve={shelveTaskAction}
          setShelf={setShelfAction}
          drop={deleteDraftAction}
          copy={copyTaskAction}
          versionOf={versionAction}
        />
      </Shell>
    );
  });
}
