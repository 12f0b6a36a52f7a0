import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { nameOf } from '@/core/students';
import type { GoalMeasure } from '@/core/goals';
import { groupBy } from '@/core/groupBy';
import { childrenOf, currentVersions, goalMeasurementsOf, inReading, openGoalsOf, workplaceOf } from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { may } from '../may';

/** A goal as it is measured at a visit. */
export interface VisitGoal {
  readonly goalId: number;
  readonly statement: string;
  readonly measure: GoalMeasure;
  readonly lastMeasuredOn: CalendarDay | null;
}

export interface VisitChild {
  readonly childId: number;
  readonly name: string;
  readonly visitDays: string;
  readonly tasks: readonly { readonly taskId: number; readonly title: string; readonly step: number; readonly stepName: string }[];
  /** The one measured longest ago first. */
  readonly goals: readonly VisitGoal[];
}

export interface VisitView {
  readonly today: CalendarDay;
  readonly timeZone: string;
  readonly school: string;
  readonly schools: readonly string[];
  readonly children: readonly VisitChild[];
}

/**
 * Lists the students and goals to measure at a school: everything that a data sheet needs, so that it works without a network.
 * @throws AppError notAllowed
 */
export async function viewVisit(context: Context, actor: PersonActor, wanted: string): Promise<VisitView> {
  requireMay(actor, 'seeProgress');
  const view = await inReading(context.db, async (work): Promise<VisitView> => {
    const { timeZone } = await workplaceOf(work);
    const own = (await childrenOf(work, actor.personId)).filter(({ access }) => may(actor, access, 'changeProgram'));
    const schools = [...new Set(own.map(({ child }) => child.school))].sort();
    const school = schools.find((each) => each === wanted) ?? schools[0] ?? '';
    const here = own.map(({ child }) => child).filter((child) => child.school === school);
    const childIds = here.map(({ id }) => id);
    const [goals, measured] = [await openGoalsOf(work, childIds), await goalMeasurementsOf(work, childIds)];
    const goalsOf = groupBy(goals, ({ childId }) => childId);
    const measuredOf = groupBy(measured, ({ goalId }) => goalId);
    const programs = await currentVersions(work, childIds);
    const children = here.map((child): VisitChild => ({
      childId: child.id,
      name: nameOf(child),
      visitDays: child.visitDays,
      tasks: (programs.get(child.id)?.tasks ?? []).map(({ taskId, content, step }) => ({
        taskId,
        title: content.title.en,
        step,
        stepName: content.ladder.steps[step - 1]?.name.en ?? '',
      })),
      goals: (goalsOf.get(child.id) ?? [])
        .map(({ id, content }): VisitGoal => {
          const { statement, measure } = content;
          const begun = measure.kind === 'words' ? null : measure.baselineOn;
          return { goalId: id, statement, measure, lastMeasuredOn: measuredOf.get(id)?.at(-1)?.measuredOn ?? begun };
        })
        .sort(longestAgo),
    }));
    const sorted = children.sort((one, other) => oldest(one).localeCompare(oldest(other)) || one.name.localeCompare(other.name));
    return { today: calendarDayInZone(context.now(), timeZone), timeZone, school, schools, children: sorted };
  });
  await context.looks.note(
    entryOf(
      actor,
      context.now(),
      view.children.map(({ childId }) => childId),
      'progress.viewed',
    ),
  );
  return view;
}

const longestAgo = (one: VisitGoal, other: VisitGoal) => (one.lastMeasuredOn ?? '').localeCompare(other.lastMeasuredOn ?? '');
/** Students without a goal come last. */
const oldest = ({ goals }: VisitChild) => (goals.length === 0 ? '9999' : (goals[0]!.lastMeasuredOn ?? ''));
