import { groupBy } from '../groupBy';
import { withoutUndone } from '../withoutUndone';

/** How the children of a caseload fared at one step of a task. */
export interface StepOutcomes {
  /** 1-based */
  readonly step: number;
  /** Children who stand at it now. */
  readonly standing: number;
  /** Children who ever came to it by a step up, and of them those who went on up from it and those who had to go back. */
  readonly came: number;
  readonly wentUp: number;
  readonly wentBack: number;
}

interface Change {
  readonly childId: number;
  readonly taskId: number;
  readonly fromStep: number | null;
  readonly toStep: number;
  readonly cause?: string;
}

/**
 * Summarizes a caseload's step history of one task: where students are, and which step sends them back. Each student counts once a
 * step, by the latest stay there. Our own definition.
 * @param changes of any tasks, oldest first
 */
export function outcomesByStep(taskId: number, changes: readonly Change[]): StepOutcomes[] {
  const byChild = groupBy(withoutUndone(changes.filter((change) => change.taskId === taskId)), ({ childId }) => childId);
  const stays = [...byChild.values()].flatMap((own) => {
    const latest = new Map<number, { from: number | null; next: number | null }>();
    own.forEach(({ fromStep, toStep }, index) => latest.set(toStep, { from: fromStep, next: own[index + 1]?.toStep ?? null }));
    return [...latest].map(([step, stay]) => ({ step, ...stay }));
  });
  return [...groupBy(stays, ({ step }) => step)]
    .map(([step, all]): StepOutcomes => {
      const came = all.filter(({ from }) => from !== null && from < step);
      return {
        step,
        standing: all.filter(({ next }) => next === null).length,
        came: came.length,
        wentUp: came.filter(({ next }) => next !== null && next > step).length,
        wentBack: came.filter(({ next }) => next !== null && next < step).length,
      };
    })
    .sort((a, b) => a.step - b.step);
}
