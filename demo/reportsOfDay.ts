import { createHash } from 'node:crypto';
import type { CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/child';
import type { SessionFacts } from '@/core/sessions';
import type { Dose } from '@/core/dose';
import { doseAtStep } from '@/core/tasks';
import { versionOf, type Work } from '@/db';
import type { ProgramVersion } from '@/core/program';
import type { Context } from '@/server/context';
import { takeIn, type ItemToTake, type Origin } from '@/server/reports/takeIn';
import { WAY_OF, type DemoChild } from './children';
import type { Planned } from './plannedTasks';
import type { DemoHistory, DemoReport } from './simulateHistory';

interface Telling {
  readonly child: Child;
  readonly demo: DemoChild;
  readonly index: number;
  readonly planned: readonly Planned[];
  readonly history: DemoHistory;
}

/** Frozen versions by child and number: read once each. */
export type KnownVersions = Map<string, ProgramVersion>;

/** Takes in what the families say of one day, each by its own way. */
export async function reportsOfDay(
  work: Work,
  context: Context,
  day: CalendarDay,
  enteredBy: number,
  families: readonly Telling[],
  linkOf: (childId: number) => number,
  known: KnownVersions,
): Promise<void> {
  const items: ItemToTake[] = [];
  for (const family of families) {
    const { child, demo, planned, history } = family;
    for (const report of history.reports.filter((each) => each.doneOn === day)) {
      const { taskId } = planned[report.taskIndex]!.version;
      const key = `${child.id}:${report.versionNumber}`;
      const version = known.get(key) ?? (await versionOf(work, child.id, report.versionNumber))!;
      known.set(key, version);
      const task = version.tasks.find((each) => each.taskId === taskId)!;
      items.push({
        idempotencyKey: keyFrom(child.id, report.reportId),
        childId: child.id,
        versionTaskId: task.versionTaskId,
        taskId,
        facts: factsOfReport(family, report),
        origin: originOf(demo, linkOf(child.id), enteredBy),
      });
    }
  }
  if (items.length) await takeIn(work, context, items);
}

function originOf(demo: DemoChild, linkId: number, enteredBy: number): Origin {
  const way = WAY_OF[demo.kind];
  if (way === 'link') return { way, linkId };
  return way === 'text' ? { way, incomingId: null } : { way, enteredBy };
}

function factsOfReport({ demo, index, planned }: Telling, report: DemoReport): SessionFacts {
  const perHand = report.left + report.right > 0;
  return {
    done: report.done,
    step: report.step,
    doneOn: report.doneOn,
    left: report.done && perHand ? report.left : null,
    right: report.done && perHand ? report.right : null,
    amount: report.done && !perHand ? report.plain : null,
    minutes:
      demo.kind === 'steady' && report.done
        ? minutesTold(doseAtStep(planned[report.taskIndex]!.content, report.step), report.amount, index)
        : null,
    help: report.help,
    effort: report.effort,
    stopReason: report.stopReason,
    safetyWord: report.safetyWord,
    press: null,
    isQuestion: report.isQuestion,
    words: report.words,
    saidBy: '',
  };
}

/** Steady families also tell how long it took; each has a pace of its own. Rounded up to whole minutes, as people say it. */
function minutesTold(dose: Dose, amount: number, index: number): number | null {
  if (dose.target.kind === 'time' || amount === 0) return null;
  const pace = 0.8 + (index % 7) / 10;
  return Math.max(1, Math.ceil((amount * dose.secondsEach * pace) / 60));
}

function keyFrom(childId: number, reportId: number): string {
  const hex = createHash('sha256').update(`demo:${childId}:${reportId}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
