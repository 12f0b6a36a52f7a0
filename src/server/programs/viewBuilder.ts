import { addDays, calendarDayInZone, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/students';
import { observedPace } from '@/core/dose';
import { draftFrom, nextSpan, sentLadders, type SentLadder, programDraftSchema, type ProgramDraft } from '@/core/programs';
import type { Skill } from '@/core/vocabulary';
import {
  currentVersions,
  draftOf,
  goalsOf,
  gradeChanges,
  inReading,
  latestTasks,
  openStops,
  schoolCalendarOn,
  taskVersionsById,
  timedSessions,
  type RecordedChange,
  type TaskVersion,
  type Work,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { planFactsOf, type PlanFacts } from '../planner/planFacts';
import { libraryKey } from '../tasks/viewContents';
import type { ChildPace } from '../planner/planFacts';

export interface BuilderView {
  readonly child: Child;
  readonly today: CalendarDay;
  readonly currentVersion: number;
  /** The ladders that the family has now. */
  readonly sent: readonly SentLadder[];
  /** Tasks that something that hurt has closed: sending opens none of them. */
  readonly closedTaskIds: readonly number[];
  readonly draft: ProgramDraft;
  /** True where the draft was being worked on before, not taken from what was sent. */
  readonly draftWasSaved: boolean;
  /** Tasks in the draft, each in its version. */
  readonly placed: readonly TaskVersion[];
  /** Names the library as it stands: it travels apart from the page, see `viewContents`. */
  readonly libraryKey: string;
  readonly changes: readonly RecordedChange[];
  readonly goalSkills: readonly Skill[];
  /** Data for the planner beside the child's facts. */
  readonly plan: PlanFacts;
  /** Program sent last, as a draft that continues it. */
  readonly asSent: ProgramDraft;
  /** How long one repetition takes this child, where sessions have told it. */
  readonly paces: readonly ChildPace[];
}

/** Loads the program builder: the draft or the program sent last, the library, the student's pace and goals. */
export async function viewBuilder(context: Context, actor: PersonActor, childId: number): Promise<BuilderView> {
  const view = await inReading(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const today = calendarDayInZone(context.now(), child.timeZone);
    const current = (await currentVersions(work, [childId])).get(childId) ?? null;
    const saved = await draftOf(work, childId);
    const draft = saved ? programDraftSchema.safeParse(saved.content) : null;
    const library = await latestTasks(work, actor.personId);
    const goesOn = draftFrom(current, today);
    // Over a break it runs on till the next bag can go home; without a calendar two weeks are two weeks.
    const { endsOn } = nextSpan(addDays(today, -1), await schoolCalendarOn(work, today));
    const asSent = { ...goesOn, endsOn: endsOn > goesOn.endsOn ? endsOn : goesOn.endsOn };
    const shown = draft?.success ? draft.data : asSent;
    const programs = new Map(current ? [[childId, current]] : []);
    const placed = await taskVersionsById(
      work,
      [...shown.tasks, ...asSent.tasks].map((task) => task.taskVersionId),
    );
    return {
      child,
      today,
      currentVersion: current?.number ?? 0,
      sent: sentLadders(current),
      closedTaskIds: (await openStops(work, [childId])).map(({ taskId }) => taskId),
      draft: shown,
      placed: [...placed.values()],
      draftWasSaved: Boolean(draft?.success),
      libraryKey: await libraryKey(work, actor),
      plan: (await planFactsOf(work, [childId], programs)).get(childId)!,
      asSent,
      paces: await pacesOf(work, childId, library),
      changes: await gradeChanges(work, [childId]),
      goalSkills: (await goalsOf(work, childId)).filter((goal) => goal.closedOn === null).map((goal) => goal.content.skill),
    };
  });
  await context.looks.note(entryOf(actor, context.now(), [childId], 'builder.viewed'));
  return view;
}

async function pacesOf(work: Work, childId: number, library: readonly TaskVersion[]): Promise<ChildPace[]> {
  const timed = await timedSessions(work, childId);
  return library.flatMap(({ taskId, content }) => {
    const sessions = timed.filter((session) => session.taskId === taskId);
    if (sessions.length === 0 || content.dose.target.kind === 'time' || content.dose.secondsEach <= 0) return [];
    return [{ taskId, secondsEach: observedPace(content.dose.secondsEach, sessions), sessions: sessions.length }];
  });
}
