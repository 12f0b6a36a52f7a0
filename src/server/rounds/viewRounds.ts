import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { taskFlight, type ProgramTask, type ProgramVersion, type TaskFlight } from '@/core/program';
import type { Child } from '@/core/child';
import type { Decision } from '@/core/rounds';
import { childrenOf, gradeChanges, inTransaction, reportLog, sessionsOfTasks, workplaceOf, type SettledDecision, type Work } from '@/db';
import { auditPerson } from '../access';
import type { PersonActor } from '../actor';
import { loggedReports, type LoggedReport } from '../reports/loggedReports';
import type { Context } from '../context';
import { loadDecisions } from './loadDecisions';

export interface RoundsView {
  readonly today: CalendarDay;
  /** Settled today by this person, oldest first, then what is open, most urgent first. */
  readonly settledToday: readonly SettledDecision[];
  readonly open: readonly Decision[];
  readonly names: Readonly<Record<number, string>>;
  readonly here: DecisionInFull | null;
}

export interface DecisionInFull {
  readonly decision: Decision;
  readonly child: Child;
  readonly mayChange: boolean;
  readonly program: ProgramVersion;
  readonly task: ProgramTask | null;
  readonly flight: TaskFlight | null;
  readonly reports: readonly LoggedReport[];
}

const REPORTS_SHOWN = 8;

/** The queue of decisions and the one that is being looked at. */
export async function viewRounds(context: Context, actor: PersonActor, at: string | null): Promise<RoundsView> {
  return inTransaction(context.db, async (work) => {
    const children = await childrenOf(work, actor.personId);
    const { timeZone } = await workplaceOf(work);
    const loaded = await loadDecisions(work, context, children, timeZone);
    const decision = loaded.open.find((candidate) => candidate.key === at) ?? loaded.open[0] ?? null;
    const { open, standing, today } = loaded;
    const settledToday = standing.filter(
      (settled) =>
        settled.decidedBy === actor.personId && settled.answer !== 'later' && calendarDayInZone(settled.decidedAt, timeZone) === today,
    );
    const child = children.find((candidate) => candidate.id === decision?.childId);
    const here = decision && child ? await inFull(work, decision, child, loaded.programs.get(child.id)!, today) : null;
    await auditPerson(
      work,
      actor,
      context.now(),
      children.map((each) => each.id),
      'rounds.viewed',
    );
    const names = Object.fromEntries(children.map((each) => [each.id, `${each.calledName} ${each.initial}.`]));
    return { today, settledToday, open, names, here: here && { ...here, mayChange: actor.role !== 'assistant' } };
  });
}

async function inFull(
  work: Work,
  decision: Decision,
  child: Child,
  program: ProgramVersion,
  today: CalendarDay,
): Promise<Omit<DecisionInFull, 'mayChange'>> {
  const task = program.tasks.find((candidate) => candidate.taskId === decision.taskId) ?? null;
  const entries = await reportLog(work, child.id, {
    ...(decision.taskId === null ? {} : { taskId: decision.taskId }),
    most: REPORTS_SHOWN,
  });
  const reports = await loggedReports(work, entries);
  if (!task) return { decision, child, program, task, flight: null, reports };
  const sessions = await sessionsOfTasks(work, child.id, [task.taskId]);
  const changes = (await gradeChanges(work, [child.id])).filter((change) => change.taskId === task.taskId);
  return {
    decision,
    child,
    program,
    task,
    flight: taskFlight(
      task,
      changes,
      sessions.filter((session) => session.done),
      today,
    ),
    reports,
  };
}
