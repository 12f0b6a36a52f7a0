import { addDays, calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { SILENCE_DAYS } from '@/core/programs';
import {
  allChildren,
  caseloadFigures,
  inReading,
  peopleHere,
  workplaceOf,
  workplaceTrail,
  type AuditRow,
  type CaseloadFigures,
  type Colleague,
  type LedChild,
} from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';

export interface CaseloadsView {
  readonly today: CalendarDay;
  readonly now: number;
  readonly timeZone: string;
  readonly therapists: readonly (Colleague & Omit<CaseloadFigures, 'personId'>)[];
  /** Closed after harm, the longest open first. */
  readonly hurt: readonly LedChild[];
  /** Without a program that holds today. */
  readonly overdue: readonly LedChild[];
  /** Students without a lead therapist. */
  readonly withoutLead: readonly LedChild[];
  readonly children: readonly LedChild[];
  /** Log of accounts and settings, the newest first. */
  readonly trail: readonly AuditRow[];
}

const TRAIL_ROWS = 100;

const NOTHING = { children: 0, overdue: 0, silent: 0, reportsThisWeek: 0 };

/** Every therapist's caseload, for who supervises: what hurt and how long it is open, what is overdue, how the load lies. @throws AppError notAllowed */
export async function viewCaseloads(context: Context, actor: PersonActor): Promise<CaseloadsView> {
  requireMay(actor, 'seeAllCaseloads');
  const view = await inReading(context.db, async (work) => {
    const { timeZone } = await workplaceOf(work);
    const today = calendarDayInZone(context.now(), timeZone);
    const figures = new Map(
      (await caseloadFigures(work, today, addDays(today, -SILENCE_DAYS), addDays(today, -6))).map((each) => [each.personId, each]),
    );
    const children = await allChildren(work);
    return {
      today,
      now: context.now(),
      timeZone,
      therapists: (await peopleHere(work))
        .filter(({ id, role }) => role !== 'assistant' || figures.has(id))
        .map((person) => ({ ...person, ...(figures.get(person.id) ?? NOTHING) })),
      hurt: children.filter(({ hurtSince }) => hurtSince !== null).toSorted((a, b) => a.hurtSince! - b.hurtSince!),
      overdue: children.filter(({ endsOn }) => endsOn === null || endsOn < today),
      withoutLead: children.filter(({ leadId }) => leadId === null),
      children,
      trail: await workplaceTrail(work, TRAIL_ROWS),
    };
  });
  await context.looks.note(
    entryOf(
      actor,
      context.now(),
      view.hurt.map(({ childId }) => childId),
      'caseloads.viewed',
    ),
  );
  return view;
}
