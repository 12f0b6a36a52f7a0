import { addDays, calendarDayInZone, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/child';
import { type ProgramVersion, programDraftSchema, type ProgramDraft } from '@/core/program';
import { observedPace } from '@/core/dose';
import type { Skill } from '@/core/vocabulary';
import {
  currentVersions,
  draftOf,
  goalsOf,
  gradeChanges,
  inTransaction,
  latestTasks,
  saveDraft as storeDraft,
  taskVersionsById,
  timedSessions,
  type RecordedChange,
  type TaskVersion,
  type Work,
} from '@/db';
import { auditPerson, requireChild } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';

export interface ChildPace {
  readonly taskId: number;
  readonly secondsEach: number;
  readonly sessions: number;
}

export interface BuilderView {
  readonly child: Child;
  readonly today: CalendarDay;
  readonly currentVersion: number;
  readonly draft: ProgramDraft;
  /** True where the draft was being worked on before, not taken from what was sent. */
  readonly draftWasSaved: boolean;
  readonly library: readonly TaskVersion[];
  /** What is placed in a version that is not the library's newest any more. */
  readonly older: readonly TaskVersion[];
  readonly changes: readonly RecordedChange[];
  readonly goalSkills: readonly Skill[];
  /** How long one repetition takes this child, where sessions have told it. */
  readonly paces: readonly ChildPace[];
}

const PROGRAM_DAYS = 14;

export async function viewBuilder(context: Context, actor: PersonActor, childId: number): Promise<BuilderView> {
  return inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'change');
    const today = calendarDayInZone(context.now(), child.timeZone);
    const current = (await currentVersions(work, [childId])).get(childId) ?? null;
    const saved = await draftOf(work, childId);
    const draft = saved ? programDraftSchema.safeParse(saved.content) : null;
    const library = await latestTasks(work);
    await auditPerson(work, actor, context.now(), [childId], 'builder.viewed');
    const shown = draft?.success ? draft.data : draftFrom(current, today);
    const outdated = shown.tasks.map((task) => task.taskVersionId).filter((id) => !library.some((task) => task.taskVersionId === id));
    return {
      child,
      today,
      currentVersion: current?.number ?? 0,
      draft: shown,
      older: [...(await taskVersionsById(work, outdated)).values()],
      draftWasSaved: Boolean(draft?.success),
      library,
      paces: await pacesOf(work, childId, library),
      changes: await gradeChanges(work, [childId]),
      goalSkills: (await goalsOf(work, childId)).map((goal) => goal.skill),
    };
  });
}

async function pacesOf(work: Work, childId: number, library: readonly TaskVersion[]): Promise<ChildPace[]> {
  const timed = await timedSessions(work, childId);
  return library.flatMap(({ taskId, content }) => {
    const sessions = timed.filter((session) => session.taskId === taskId);
    if (sessions.length === 0 || content.dose.target.kind === 'time' || content.dose.secondsEach <= 0) return [];
    return [{ taskId, secondsEach: observedPace(content.dose.secondsEach, sessions), sessions: sessions.length }];
  });
}

/** The next draft goes on from what was sent. */
function draftFrom(current: ProgramVersion | null, today: CalendarDay): ProgramDraft {
  const tasks = current?.tasks ?? [];
  return {
    startsOn: today,
    endsOn: addDays(today, PROGRAM_DAYS - 1),
    note: current?.note ?? '',
    tasks: tasks.map((task) => ({
      taskVersionId: task.taskVersionId,
      part: task.part,
      step: task.step,
      chooseFrom: task.chooseFrom,
      chooseTo: task.chooseTo,
      weekdays: [...task.weekdays],
      dose: { ...task.dose, heavyGrip: task.dose.heavyGrip ?? false, setUpMovements: [...task.dose.setUpMovements] },
      // What the home has and how the child works may have changed since: sending looks anew.
      choices: { ...task.choices, replaced: undefined, childSettings: undefined },
    })),
  };
}

/** Keeps what is being worked on; it may have faults, but it must have the form of a draft. */
export async function saveDraft(context: Context, actor: PersonActor, childId: number, raw: unknown): Promise<void> {
  const draft = programDraftSchema.safeParse(raw);
  if (!draft.success) throw new AppError('invalid');
  await inTransaction(context.db, async (work) => {
    await requireChild(work, actor, childId, 'change');
    await storeDraft(work, childId, draft.data, actor.personId, context.now());
    await auditPerson(work, actor, context.now(), [childId], 'draft.saved');
  });
}
