import type { Bundle } from '@medplum/fhirtypes';
import { instant } from '@/core/calendar';
import type { GoalContent } from '@/core/goals';
import { writeFhir } from '@/formats/fhir';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { exportChild } from './exportChild';

/**
 * A child's record as a FHIR R4 bundle, for another record system.
 * @param criterionOf what a goal asks for, in words
 * @throws AppError notFound, notAllowed, confirmNeeded
 */
export async function exportFhir(
  context: Context,
  actor: PersonActor,
  childId: number,
  criterionOf: (goal: GoalContent) => string,
): Promise<Bundle> {
  const all = await exportChild(context, actor, childId);
  return writeFhir({
    writtenAt: instant(context.now()),
    child: all.child,
    goals: all.goals.map((goal) => ({ ...goal, criterion: criterionOf(goal.content) })),
    program: all.programs.at(-1) ?? null,
    sessions: all.reports,
    measurements: all.measurements,
    messages: all.messages,
    changes: all.gradeChanges,
  });
}
