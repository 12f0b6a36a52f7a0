import { inReading, latestRefs, latestTasks, type TaskVersion, type Work } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { hashOf } from '../secrets';

export interface ContentsView {
  readonly key: string;
  readonly tasks: readonly TaskVersion[];
}

/** The whole library with its contents, told apart from any page, so that a browser fetches it once and not with every program. */
export async function viewContents(context: Context, actor: PersonActor): Promise<ContentsView> {
  return inReading(context.db, async (work) => ({
    key: await libraryKey(work, actor),
    tasks: await latestTasks(work, actor.personId),
  }));
}

/** Another one as soon as any task of the library is another. */
export async function libraryKey(work: Work, { personId }: PersonActor): Promise<string> {
  const refs = await latestRefs(work, personId);
  return hashOf(JSON.stringify(refs.map(({ taskVersionId, contentHash }) => [taskVersionId, contentHash]))).slice(0, 16);
}
