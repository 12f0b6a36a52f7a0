import { randomUUID } from 'node:crypto';
import { parseCalendarDay } from '@/core/calendar';
import { familyAnswer } from '@/app/familyAnswer';
import { FamilyTask } from '@/ui/family/task/FamilyTask';
import { stepsOf } from '@/ui/family/task/taskProps';
import { dataOfTask } from '@/ui/family/task/dataOfTask';

export const dynamic = 'force-dynamic';

export async function GET(request: Request, { params }: { params: Promise<{ token: string; versionTaskId: string }> }): Promise<Response> {
  const { token, versionTaskId } = await params;
  const asked = new URL(request.url).searchParams;
  return familyAnswer(request, token, (view, words) => {
    const all = [...view.tasks, ...view.otherTasks];
    const index = all.findIndex(({ task }) => task.versionTaskId === Number(versionTaskId));
    const found = all[index];
    if (!found) return null;
    const day = asked.get('day') ?? '';
    const isOtherDay = parseCalendarDay(day) !== null && day !== view.today;
    const options = { found, requestedStep: Number(asked.get('step') ?? Number.NaN), isAgain: asked.get('again') === '1' || isOtherDay };
    const { said, steps } = stepsOf(options);
    const keys = new Map(steps.map((step) => [step, randomUUID()]));
    const place = { index: index + 1, count: all.length };
    return {
      about: words.local(found.task.content.title),
      body: (
        <FamilyTask
          view={view}
          place={place}
          token={token}
          words={words}
          day={isOtherDay ? day : null}
          keys={keys}
          hurtKey={randomUUID()}
          {...options}
        />
      ),
      screen: said ? 'do' : 'ready',
      data: dataOfTask(view, token, words, { ...options, keys, day: isOtherDay ? day : null }),
    };
  });
}
