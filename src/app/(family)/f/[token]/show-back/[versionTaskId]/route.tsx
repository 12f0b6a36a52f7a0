import { randomUUID } from 'node:crypto';
import { familyAnswer } from '@/app/familyAnswer';
import { ShowBackPage } from '@/ui/family/shown/ShowBackPage';

export const dynamic = 'force-dynamic';

const SAID = ['sent', 'takenBack'] as const;

/** Shows the page on which a family films a task; redirects to the day where no one asked for it. */
export async function GET(request: Request, { params }: { params: Promise<{ token: string; versionTaskId: string }> }): Promise<Response> {
  const { token, versionTaskId } = await params;
  const asked = new URL(request.url).searchParams.get('said');
  const said = SAID.find((each) => each === asked) ?? null;
  return familyAnswer(request, token, (view, words) => {
    const found = [...view.tasks, ...view.otherTasks].find(({ task }) => task.versionTaskId === Number(versionTaskId));
    const mayShow = found?.task.choices.asksBack === true && !found.closed;
    // Videos that were sent can be deleted, whether one is asked for or not.
    if (!found || (!mayShow && found.sentBack.length === 0)) return null;
    const body = <ShowBackPage {...{ view, found, token, words, said, mayShow }} newKey={randomUUID()} keptDays={view.clipDays} />;
    return { about: words.t('showBack.title'), body, data: null };
  });
}
