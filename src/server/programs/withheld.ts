import type { CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/students';
import type { ProgramVersion } from '@/core/programs';
import { openStops, standingDecisions, type Work } from '@/db';
import { stoppedTasksOf } from './stoppedTasks';

/** Tasks that a child is not asked for today: on hold since something hurt, or waiting for the therapist's answer to a safety card. */
export interface Withheld {
  readonly onHold: ReadonlySet<number>;
  readonly undecided: ReadonlySet<number>;
  /** Both of them: on no page, paper, slip, worksheet, calendar or kit. */
  readonly has: (taskId: number) => boolean;
}

/** Returns tasks on hold by child, with running programs. Three queries, however many children. */
export async function withheldTasks(
  work: Work,
  running: readonly { readonly child: Child; readonly version: ProgramVersion | null }[],
  today: CalendarDay,
): Promise<ReadonlyMap<number, Withheld>> {
  const ids = running.map(({ child }) => child.id);
  const stops = await openStops(work, ids);
  const answered = (await standingDecisions(work, ids, today)).filter(({ kind, answer }) => kind === 'unsuitable' && answer === 'hold');
  return new Map(
    running.map(({ child, version }) => {
      const onHold = new Set(stops.filter(({ childId }) => childId === child.id).map(({ taskId }) => taskId));
      const asking = version === null ? [] : stoppedTasksOf(child, version, today);
      const undecided = new Set(
        asking
          .filter(({ task, blocks }) => blocks || !answered.some(({ childId, taskId }) => childId === child.id && taskId === task.taskId))
          .map(({ task }) => task.taskId),
      );
      return [child.id, { onHold, undecided, has: (taskId: number) => onHold.has(taskId) || undecided.has(taskId) }];
    }),
  );
}

/** The same for one child. */
export async function withheldOf(work: Work, child: Child, version: ProgramVersion | null, today: CalendarDay): Promise<Withheld> {
  return (await withheldTasks(work, [{ child, version }], today)).get(child.id)!;
}
