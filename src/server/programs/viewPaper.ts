import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/child';
import { restOf, type ProgramVersion, type Rest } from '@/core/program';
import { inTransaction, openStops, versionHolding, workplaceOf } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';

export interface PaperView {
  readonly child: Child;
  readonly today: CalendarDay;
  /** What the family's page shows today; null where nothing was sent. */
  readonly program: ProgramVersion | null;
  readonly rest: Rest | null;
  /** Tasks that something that hurt has closed: no paper asks for them. */
  readonly closedTaskIds: readonly number[];
  readonly emergencyNumber: string;
}

/** The program as it goes home on paper: what the family's page shows, for a bag without a phone. */
export async function viewPaper(context: Context, actor: PersonActor, childId: number): Promise<PaperView> {
  const view = await inTransaction(context.db, async (work): Promise<PaperView> => {
    const { child } = await requireChild(work, actor, childId, 'readChild');
    const today = calendarDayInZone(context.now(), child.timeZone);
    const program = await versionHolding(work, child.id, today);
    return {
      child,
      today,
      program,
      rest: program && restOf(program, today),
      closedTaskIds: (await openStops(work, [child.id])).map(({ taskId }) => taskId),
      emergencyNumber: (await workplaceOf(work)).emergencyNumber,
    };
  });
  await context.looks.note(entryOf(actor, context.now(), [childId], 'child.viewed'));
  return view;
}
