import { randomUUID } from 'node:crypto';
import { familyAnswer } from '@/app/familyAnswer';
import { ShowBackPage } from '@/ui/family/shown/ShowBackPage';

export const dynamic = 'force-dynamic';

const SAID = ['sent', 'takenBack'] as const;

/** Where a family shows how a task goes; where nobody asked for it, it leads back to the day. */
export async function GET(request: Request, { params }: { params: Promise<{ token: string; versionTaskId: string }> }): Promise<Response> {
  const { token, versionTaskId } = await params;
  const asked = new URL(request.url).searchParams.get('said');
  const said = SAID.find((each) => each === asked) ?? null;
  return familyAnswer(request, token, (view, words) => {
    const found = [...view.tasks, ...view.otherTasks].find(({ task }) => task.versionTaskId === Number(versionTaskId));
    const mayShow = found?.task.choices.asksBack === true && !found.closed;
    // What was sent can be taken back, whoever asks or not.
    if (!found || (!mayShow && found.sentBack.length === 0)) return null;
    const body = <ShowBackPage {...{ view, found, token, words, said, mayShow }} newKey={randomUUID()} keptDays={view.clipDays} />;
    return { about: words.t('showBack.title'), body, data: null };
  });
}
