import { renderSVG } from 'uqr';
import { addDays, calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { plannedSpans, stepTimeline, type ProgramTask, type ProgramVersion, type StepTimeline } from '@/core/programs';
import { caseloadDays } from '@/core/caseload';
import { reachOf, type Child } from '@/core/students';
import { practiceOf, type Practice } from '@/core/adherence';
import type { Decision, SettledDecision } from '@/core/review';
import { thingsOf } from '@/core/library';
import type { HomeMaterial, TaskContent } from '@/core/tasks';
import {
  currentVersions,
  decisionsOfChild,
  goalsOf,
  gradeChanges,
  handOversOf,
  homeAnswerOf,
  inReading,
  inTransaction,
  latestTasks,
  liftsOf,
  linksOf,
  messagesOf,
  openStops,
  peopleHere,
  practiceSince,
  reportLog,
  sessionsOfTasks,
  sharingOf,
  versionsSince,
  type Colleague,
  type FamilyLink,
  type Goal,
  type HandOver,
  type Lift,
  type MessageRow,
  type RecordedChange,
  type Sharing,
  type Stop,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { may } from '../may';
import { isConfirmed } from '../accounts/sessions';
import { stoppedTasksOf, type StoppedTask } from '../programs/stoppedTasks';
import { standingAddress } from '../programs/viewPaper';
import { loadDecisions } from '../review/loadDecisions';
import { loggedReports, type LoggedReport } from '../reports/loggedReports';

export interface ChildView {
  readonly child: Child;
  readonly today: CalendarDay;
  readonly goals: readonly Goal[];
  readonly sharing: readonly Sharing[];
  readonly handOvers: readonly HandOver[];
  /** Colleagues whom the student could be shared with or transferred to. */
  readonly colleagues: readonly Colleague[];
  /** Open decisions on this student, most urgent first. */
  readonly waiting: readonly Decision[];
  /** Tasks of the running program that the child's facts of now stop. */
  readonly stopped: readonly StoppedTask[];
  /** The family told what is in the house, and nobody has looked at it yet. */
  readonly homeIsTold: boolean;
  readonly mayChange: boolean;
  readonly mayLead: boolean;
  /** The family's open link, to be copied or shown to a phone; null where there is none, or the actor may not send it. */
  readonly familyLink: { readonly address: string; readonly code: string } | null;
  /** Why no message reaches the family; null where one does. */
  readonly unreached: 'noContact' | 'noService' | null;
  /** True where the password was given lately: deleting and taking out are open. */
  readonly isConfirmed: boolean;
  readonly mayReadAccessLog: boolean;
  readonly program: ProgramVersion | null;
  /** Present holds on tasks of the student. */
  readonly stops: readonly Stop[];
  /** Findings after earlier reports of pain or injury, newest first. */
  readonly lifts: readonly Lift[];
  readonly timelines: readonly { readonly task: ProgramTask; readonly timeline: StepTimeline }[];
  readonly practice: Practice;
  readonly log: readonly LoggedReport[];
  readonly changes: readonly (RecordedChange & { readonly content: TaskContent | null })[];
  readonly decisions: readonly SettledDecision[];
  readonly messages: readonly MessageRow[];
  readonly links: readonly FamilyLink[];
  /** Everything that the library's tasks use, for what this home has. */
  readonly things: readonly HomeMaterial[];
}

const LOG_LENGTH = 60;

/** Loads a student's page: facts, program, progress and log. */
export async function viewChild(context: Context, actor: PersonActor, childId: number): Promise<ChildView> {
  const view = await inReading(context.db, async (work): Promise<Omit<ChildView, 'familyLink' | 'unreached'>> => {
    const { child, access } = await requireChild(work, actor, childId, 'readChild');
    const today = calendarDayInZone(context.now(), child.timeZone);
    const days = caseloadDays(today);
    const program = (await currentVersions(work, [childId])).get(childId) ?? null;
    const tasks = program?.tasks ?? [];
    const sessions = await sessionsOfTasks(
      work,
      childId,
      tasks.map((task) => task.taskId),
    );
    const stops = await openStops(work, [childId]);
    const changes = await gradeChanges(work, [childId]);
    const versions = (await versionsSince(work, [childId], days[0]!)).get(childId) ?? [];
    const reports = (await practiceSince(work, [childId], days[0]!)).get(childId) ?? [];
    const entries = await reportLog(work, childId, { since: addDays(today, -70), most: LOG_LENGTH });
    const log = await loggedReports(work, entries);
    const contentOfTask = new Map(tasks.map((task) => [task.taskId, task.content]));
    for (const report of log) if (!contentOfTask.has(report.taskId)) contentOfTask.set(report.taskId, report.content);
    return {
      child,
      mayChange: may(actor, access, 'changeProgram'),
      mayLead: may(actor, access, 'leadChild'),
      isConfirmed: isConfirmed(context, actor),
      mayReadAccessLog: may(actor, access, 'readAccessLog'),
      today,
      goals: await goalsOf(work, childId),
      sharing: await sharingOf(work, childId),
      handOvers: await handOversOf(work, childId),
      colleagues: await peopleHere(work),
      waiting: child.leftOn === null ? (await loadDecisions(work, context, [child], child.timeZone)).open : [],
      stopped: program ? stoppedTasksOf(child, program, today) : [],
      homeIsTold: (await homeAnswerOf(work, childId)) !== null,
      program,
      stops,
      lifts: await liftsOf(work, childId),
      timelines: tasks.map((task) => ({
        task,
        timeline: {
          ...stepTimeline(
            task,
            changes.filter((change) => change.taskId === task.taskId),
            sessions.filter((session) => session.taskId === task.taskId && session.done),
            today,
          ),
          closed: stops.some((stop) => stop.taskId === task.taskId),
        },
      })),
      practice: practiceOf(days, plannedSpans(versions), reports, today),
      log,
      changes: changes.map((change) => ({ ...change, content: contentOfTask.get(change.taskId) ?? null })).reverse(),
      decisions: await decisionsOfChild(work, childId, 20),
      messages: await messagesOf(work, [childId], 20),
      links: await linksOf(work, childId),
      things: thingsOf((await latestTasks(work)).map((task) => task.content)),
    };
  });
  await context.looks.note(entryOf(actor, context.now(), [childId], 'child.viewed'));
  const reach = reachOf(view.child.contacts);
  const isReached = context.texts.reaches?.(reach?.way ?? null) ?? true;
  return {
    ...view,
    familyLink: view.mayChange ? await linkWithCode(context, view.child) : null,
    unreached: isReached ? null : reach === null ? 'noContact' : 'noService',
  };
}

/** In a transaction of its own: which link stands is asked with a lock, as everywhere it is handed out. */
async function linkWithCode(context: Context, child: Child): Promise<ChildView['familyLink']> {
  const address = await inTransaction(context.db, (work) => standingAddress(work, context, child));
  return address === null ? null : { address, code: renderSVG(address, { border: 2 }) };
}
