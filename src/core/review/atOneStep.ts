import type { Suggestion } from '../stepRules';
import { groupBy } from '../groupBy';
import type { Decision } from './decision';

/** Decisions of several children about one and the same tread: a step up to it, or being stuck below it. */
export interface AtOneStep {
  readonly taskId: number;
  /** 1-based, the step that the tread leads to */
  readonly step: number;
  /** Keys of the decisions, in their own order. */
  readonly keys: readonly string[];
}

/** Fewer say nothing of the ladder. Our own choice. */
const LEAST = 3;

interface Climbing extends Pick<Decision, 'key' | 'taskId'> {
  readonly suggestion: Pick<Suggestion, 'move' | 'toStep'> | null;
}

/** Groups the cards at one step, the largest group first: where several students are stuck, it may be the ladder. */
export function atOneStep(open: readonly Climbing[]): AtOneStep[] {
  const climbing = open.flatMap(({ key, taskId, suggestion }) =>
    taskId !== null && (suggestion?.move === 'up' || suggestion?.move === 'stuck') ? [{ key, taskId, step: suggestion.toStep }] : [],
  );
  return [...groupBy(climbing, ({ taskId, step }) => `${taskId}:${step}`).values()]
    .filter((own) => own.length >= LEAST)
    .map((own) => ({ taskId: own[0]!.taskId, step: own[0]!.step, keys: own.map(({ key }) => key) }))
    .sort((a, b) => b.keys.length - a.keys.length);
}
