import { z } from 'zod';
import type { CalendarDay } from '@/core/calendar';
import { groupBy } from '@/core/groupBy';
import { PAPER_SIZES } from '@/core/print';
import type { ReportPage } from '@/core/progress';
import { progressPdf } from '@/formats';
import { inTransaction } from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';
import { goalInFull, type GoalInFull } from './goalInFull';
import type { Period } from './periodOn';
import { loadGoals } from './viewProgress';

const optionsSchema = z.object({ size: z.enum(PAPER_SIZES).default('letter') });

/** How a child's goals are put into words is the screen's own; the same words stand on paper. */
export type ComposeReport = (goals: readonly GoalInFull[], period: Period | null, today: CalendarDay) => ReportPage;

export interface MadeReports {
  readonly file: Uint8Array | null;
  readonly left: readonly { readonly name: string; readonly why: string }[];
}

/**
 * The reports on all open goals of a caseload as one PDF, a child after the other: each is read, drawn and let go before the next, and others are served in
 * between. Null where it was stopped.
 * @param onChild told after each child; false stops
 * @throws AppError notAllowed, invalid; noPaper where no goal can be told
 */
export async function reportsOfCaseload(
  context: Context,
  actor: PersonActor,
  raw: unknown,
  compose: ComposeReport,
  onChild: (done: number, of: number, own: null) => Promise<boolean>,
): Promise<MadeReports | null> {
  const { size } = parseInput(optionsSchema, raw);
  requireMay(actor, 'seeProgress');
  const caseload = await inTransaction(context.db, (work) => loadGoals(work, context, actor));
  const { lines, goals, children, period, today } = caseload;
  const ofChildren = [...groupBy(lines, ({ childId }) => childId)].sort(([, one], [, other]) =>
    one[0]!.childName.localeCompare(other[0]!.childName),
  );
  if (ofChildren.length === 0) throw new AppError('noPaper');
  let isStopped = false;
  let done = 0;
  async function* pages(): AsyncGenerator<ReportPage> {
    for (const [childId, own] of ofChildren) {
      const told = await inTransaction(context.db, async (work) => {
        const full: GoalInFull[] = [];
        for (const line of own)
          full.push(
            await goalInFull(
              work,
              goals.find(({ id }) => id === line.goalId)!,
              line,
              children.get(childId)!,
              caseload,
            ),
          );
        return full;
      });
      yield compose(told, period, today);
      done += 1;
      isStopped ||= !(await onChild(done, ofChildren.length, null));
      if (isStopped) return;
      await new Promise(setImmediate);
    }
  }
  const file = await progressPdf(pages(), { size, title: 'Progress' });
  await context.looks.note(entryOf(actor, context.now(), [...children.keys()], 'progress.viewed'));
  return isStopped ? null : { file, left: [] };
}
