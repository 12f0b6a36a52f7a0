import { EVIDENCE_DAYS, streakRule } from '@/core/advancing';
import { addDays, calendarDayInZone, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/child';
import type { ProgramVersion } from '@/core/program';
import { groupBy } from '@/core/groupBy';
import { decisionsFor, type ChildSituation, type Decision, type SettledDecision } from '@/core/rounds';
import {
  childrenWithOpenedLink,
  currentVersions,
  lastWords,
  sessionsAtPresentSteps,
  standingDecisions,
  unreadReports,
  type Work,
} from '@/db';
import type { Context } from '../context';

export interface LoadedDecisions {
  readonly open: readonly Decision[];
  readonly standing: readonly SettledDecision[];
  readonly programs: Map<number, ProgramVersion>;
  readonly today: CalendarDay;
}

/** Reckons what asks for a person among the children, less what was settled or put off. A constant number of queries. */
export async function loadDecisions(work: Work, context: Context, children: readonly Child[], timeZone: string): Promise<LoadedDecisions> {
  const childIds = children.map((child) => child.id);
  const today = calendarDayInZone(context.now(), timeZone);
  const programs = await currentVersions(work, childIds);
  const sessions = groupBy(
    await sessionsAtPresentSteps(work, childIds, addDays(today, -EVIDENCE_DAYS)),
    (session) => `${session.childId}:${session.taskId}`,
  );
  const unread = groupBy(await unreadReports(work, childIds), (report) => report.childId);
  const words = await lastWords(work, childIds);
  const opened = await childrenWithOpenedLink(work, childIds);
  const standing = await standingDecisions(work, childIds, today);
  const situations = children.flatMap((child): ChildSituation[] => {
    const program = programs.get(child.id);
    if (!program) return [];
    const unreadReportsOfChild = unread.get(child.id) ?? [];
    return [
      {
        childId: child.id,
        programId: program.programId,
        versionNumber: program.number,
        sentOn: program.sentOn,
        startsOn: program.startsOn,
        endsOn: program.endsOn,
        lastWordOn: words.get(child.id) ?? null,
        // Who answers by paper or call has no link to open.
        linkOpened: child.reportWay !== 'link' || opened.has(child.id),
        unreadReports: unreadReportsOfChild,
        tasks: program.tasks.map((task) => ({
          taskId: task.taskId,
          stepSinceVersion: task.stepSinceVersion,
          suggestion: streakRule({
            sessions: sessions.get(`${child.id}:${task.taskId}`) ?? [],
            currentStep: task.step,
            stepSinceVersion: task.stepSinceVersion,
            stepCount: task.content.ladder.steps.length,
            today,
            unreadSafetyReportIds: unreadReportsOfChild
              .filter((report) => report.safetyWord && report.taskId === task.taskId)
              .map((report) => report.reportId),
          }),
        })),
      },
    ];
  });
  const settled = new Set(standing.map((decision) => decision.key));
  return { open: decisionsFor(situations, today).filter((decision) => !settled.has(decision.key)), standing, programs, today };
}
