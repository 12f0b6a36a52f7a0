import { arrangeCaseload, isSilent, caseloadDays, caseloadRow, type CaseloadGroup, type CaseloadQuery } from '@/core/caseload';
import { groupBy } from '@/core/groupBy';
import type { Decision } from '@/core/review';
import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { nameOf } from '@/core/students';
import { childrenOf, inReading, keptViewsOf, workplaceOf, type KeptView } from '@/db';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { may } from '../may';
import { loadDecisions } from '../review/loadDecisions';
import { loadCaseload } from './loadCaseload';

export interface CaseloadView {
  readonly today: CalendarDay;
  readonly days: readonly CalendarDay[];
  readonly groups: readonly CaseloadGroup[];
  readonly schools: readonly string[];
  readonly childCount: number;
  readonly withWordThisWeek: number;
  readonly silent: number;
  readonly mayAdd: boolean;
  /** The cards of Rounds that wait, by child: the weightiest first. */
  readonly waiting: ReadonlyMap<number, readonly Decision[]>;
  /** Ways of looking that the person keeps by a name. */
  readonly kept: readonly KeptView[];
  /** Students off the caseload, by name. */
  readonly left: readonly { readonly childId: number; readonly name: string; readonly leftOn: CalendarDay }[];
}

/** The whole caseload, a row a child, arranged as wished. */
export async function viewCaseload(context: Context, actor: PersonActor, options: CaseloadQuery): Promise<CaseloadView> {
  const { childIds, ...view } = await inReading(context.db, async (work) => {
    const own = await childrenOf(work, actor.personId);
    const children = own.map(({ child }) => child);
    const { timeZone } = await workplaceOf(work);
    const today = calendarDayInZone(context.now(), timeZone);
    const days = caseloadDays(today, options.span);
    const facts = await loadCaseload(work, children, days[0]!);
    const rows = children.map((child) =>
      caseloadRow(
        {
          child,
          current: facts.current.get(child.id) ?? null,
          versions: facts.versions.get(child.id) ?? [],
          changes: facts.changes.get(child.id) ?? [],
          reports: facts.reports.get(child.id) ?? [],
          lastWordOn: facts.lastWords.get(child.id) ?? null,
          closedTaskIds: (facts.stops.get(child.id) ?? []).map(({ taskId }) => taskId),
          reviewOn: facts.reviews.get(child.id) ?? null,
        },
        today,
        options.span,
      ),
    );
    const accessOf = new Map(own.map(({ child, access }) => [child.id, access]));
    const mayLift = (childId: number) => may(actor, accessOf.get(childId) ?? 'assist', 'changeProgram');
    const { open } = await loadDecisions(work, context, children, timeZone, { personId: actor.personId, mayLift }, facts);
    return {
      waiting: groupBy(open, ({ childId }) => childId),
      childIds: children.map((child) => child.id),
      today,
      days,
      groups: arrangeCaseload(rows, options, today),
      schools: [...new Set(children.map((child) => child.school))].sort(),
      childCount: children.length,
      withWordThisWeek: rows.filter((row) => row.daysSinceWord !== null && row.daysSinceWord < 7).length,
      silent: rows.filter(isSilent).length,
      kept: await keptViewsOf(work, actor.personId),
      mayAdd: may(actor, null, 'addChildren'),
      left: (await childrenOf(work, actor.personId, { hasLeft: true })).map(({ child }) => ({
        childId: child.id,
        name: nameOf(child),
        leftOn: child.leftOn!,
      })),
    };
  });
  await context.looks.note(entryOf(actor, context.now(), childIds, 'yard.viewed'));
  return view;
}
