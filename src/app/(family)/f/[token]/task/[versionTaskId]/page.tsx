import { randomUUID } from 'node:crypto';
import { redirect } from 'next/navigation';
import { familyScreen, familyTitle, textFrom, type FamilyAddress } from '@/app/familyScreen';
import { FamilyTask } from '@/ui/family/task/FamilyTask';

interface Props {
  readonly params: Promise<{ token: string; versionTaskId: string }>;
  readonly searchParams: FamilyAddress;
}

export async function generateMetadata({ params, searchParams }: Props) {
  const { token, versionTaskId } = await params;
  return familyTitle(token, await textFrom(searchParams, 'lang'), ({ tasks, otherTasks }, { local }) => {
    const found = [...tasks, ...otherTasks].find(({ task }) => task.versionTaskId === Number(versionTaskId));
    return found && local(found.task.content.title);
  });
}

export default async function FamilyTaskPage({ params, searchParams }: Props) {
  const { token, versionTaskId } = await params;
  const step = Number(await textFrom(searchParams, 'step'));
  const isAgain = (await textFrom(searchParams, 'again')) === '1';
  return familyScreen(token, await textFrom(searchParams, 'lang'), (view, words) => {
    const all = [...view.tasks, ...view.otherTasks];
    const index = all.findIndex(({ task }) => task.versionTaskId === Number(versionTaskId));
    const found = all[index];
    // The plan has gone on since this page was opened: today shows the one in force.
    if (!found) redirect(`/f/${token}`);
    return (
      <FamilyTask
        view={view}
        found={found}
        place={{ index: index + 1, count: all.length }}
        token={token}
        words={words}
        wishedStep={step}
        isAgain={isAgain}
        newKey={randomUUID()}
        hurtKey={randomUUID()}
      />
    );
  });
}
