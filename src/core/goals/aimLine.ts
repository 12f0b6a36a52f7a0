import { daysBetween, type CalendarDay } from '../calendar';
import { valuesOf, type GoalContent } from './goal';

/**
 * Returns the value of the aim line on a day: the straight line from the baseline to the criterion at the review, in the goal's own
 * unit. Before the baseline it is the baseline, after the review the criterion. Null for a goal without a measure. Source: the aim
 * line of progress monitoring, common practice (from memory: Deno 1985, curriculum-based measurement).
 * @example aimAt({ …, measure: { kind: 'count', of: 10, from: 3, to: 8, baselineOn: '2026-09-01' }, reviewOn: '2026-09-11' }, '2026-09-05') // 5
 */
export function aimAt({ measure, reviewOn }: Pick<GoalContent, 'measure' | 'reviewOn'>, day: CalendarDay): number | null {
  const values = valuesOf(measure);
  if (!values || measure.kind === 'words') return null;
  const whole = daysBetween(measure.baselineOn, reviewOn);
  const share = Math.min(1, Math.max(0, daysBetween(measure.baselineOn, day) / whole));
  return values.from + share * (values.to - values.from);
}
