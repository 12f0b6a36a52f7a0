import { z } from 'zod';
import { calendarDayInZone, type CalendarDay, type Instant } from '@/core/calendar';
import { taskDraftSchema, type TaskContent } from '@/core/tasks';
import { outcomesByStep, type StepOutcomes } from '@/core/programs';
import {
  childrenOf,
  gradeChanges,
  type RecordedChange,
  type Work,
  inReading,
  taskDrafts,
  taskRecords,
  taskVersionsById,
  versionsOfTask,
  workplaceOf,
  type Shelf,
} from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { may } from '../may';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';

export interface TaskEditorView {
  readonly slug: string;
  readonly content: TaskContent;
  /** The newest version in the library; null for a task that has none yet. */
  readonly taskVersionId: number | null;
  readonly basedOn: number | null;
  readonly draftSavedAt: Instant | null;
  readonly ownerName: string | null;
  /** For whom it stands in the library; null while it does not. */
  readonly shelf: Shelf | null;
  /** Stock tasks and those of others are copied before they are changed. */
  readonly mayChange: boolean;
  /** An assistant looks; therapists copy and change. */
  readonly mayCopy: boolean;
  readonly versions: readonly { readonly number: number; readonly createdOn: CalendarDay }[];
  /** Original to compare with. */
  readonly stock: TaskContent | null;
  /** Titles of the other tasks, by slug: for twins. */
  readonly titles: Readonly<Record<string, string>>;
  readonly library: readonly TaskContent[];
  /** How this person's children fared at each of its steps. */
  readonly outcomesPerStep: readonly StepOutcomes[];
}

const versionSchema = z.object({ slug: z.string().max(80), number: z.number().int() });

/** Loads an earlier version of a task, to be restored in the editor. */
export async function viewVersion(context: Context, _actor: PersonActor, raw: unknown): Promise<TaskContent> {
  const { slug, number } = parseInput(versionSchema, raw);
  return inReading(context.db, async (work) => {
    const [record] = await taskRecords(work, slug);
    const version = record ? (await versionsOfTask(work, record.taskId)).find((each) => each.number === number) : undefined;
    const content = version && (await taskVersionsById(work, [version.taskVersionId])).get(version.taskVersionId)?.content;
    if (!content) throw new AppError('notFound');
    return content;
  });
}

async function changesOfCaseload(work: Work, actor: PersonActor): Promise<RecordedChange[]> {
  const own = await childrenOf(work, actor.personId);
  return gradeChanges(
    work,
    own.map(({ child }) => child.id),
  );
}

/** A task on the bench: the draft where this person has one, else the newest version. */
export async function viewTaskEditor(context: Context, actor: PersonActor, slug: string): Promise<TaskEditorView> {
  return inReading(context.db, async (work) => {
    const all = await taskRecords(work);
    const record = all.find((task) => task.slug === slug) ?? null;
    if (record?.shelf === 'owner' && record.ownerId !== actor.personId) throw new AppError('notFound');
    const [draft] = await taskDrafts(work, actor.personId, slug);
    const drafted = draft ? taskDraftSchema.safeParse(draft.content) : null;
    const content = drafted?.success ? drafted.data : record?.content;
    if (!content) throw new AppError('notFound');
    const versions = record ? await versionsOfTask(work, record.taskId) : [];
    const { timeZone } = await workplaceOf(work);
    const source = record ? record.copiedFrom : (draft?.basedOn ?? null);
    return {
      slug,
      content,
      outcomesPerStep: record ? outcomesByStep(record.taskId, await changesOfCaseload(work, actor)) : [],
      taskVersionId: record?.taskVersionId ?? null,
      basedOn: draft?.basedOn ?? record?.taskVersionId ?? null,
      draftSavedAt: drafted?.success ? draft!.savedAt : null,
      ownerName: record?.ownerName ?? null,
      shelf: record?.shelf ?? null,
      mayCopy: may(actor, null, 'makeTasks'),
      mayChange: may(actor, null, 'makeTasks') && (record === null || record.ownerId === actor.personId),
      versions: versions.map(({ number, createdAt }) => ({ number, createdOn: calendarDayInZone(createdAt, timeZone) })),
      stock: source === null ? null : ((await taskVersionsById(work, [source])).get(source)?.content ?? null),
      library: all.map((task) => task.content),
      titles: Object.fromEntries(all.map((task) => [task.slug, task.content.title.en])),
    };
  });
}
