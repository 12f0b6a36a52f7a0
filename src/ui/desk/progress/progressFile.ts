import type { ProgressView } from '@/server/progress/viewProgress';
import { words } from '../../shared/deskWords';

const HEADINGS = [
  'child',
  'goal',
  'baseline on',
  'review on',
  'school data points',
  'last measured on',
  'last value',
  'standing',
  'slope a week',
  'slope low',
  'slope high',
  'on the review day',
  'at worst',
  'at best',
  'tau-b',
  'p',
];
const fine = (value: number | null | undefined) =>
  value === null || value === undefined ? '' : String(Math.round(value * 10_000) / 10_000);

/** Every goal as a row: the figures of the own measures, in the goal's own unit. */
export function progressFile({ lines }: Pick<ProgressView, 'lines'>) {
  const rows = lines.map(({ childName, goal, own, ownPoints, lastMeasuredOn }) => [
    childName,
    goal.statement,
    goal.measure.kind === 'words' ? '' : goal.measure.baselineOn,
    goal.reviewOn,
    String(ownPoints.length),
    lastMeasuredOn ?? '',
    fine(ownPoints.at(-1)?.value),
    own ? words(`standings.${own.standing}`) : '',
    fine(own?.trend && own.trend.slope * 7),
    fine(own?.trend && own.trend.low * 7),
    fine(own?.trend && own.trend.high * 7),
    fine(own?.projection?.mid),
    fine(own?.projection?.low),
    fine(own?.projection?.high),
    fine(own?.correlation?.tau),
    fine(own?.correlation?.p),
  ]);
  return { headings: HEADINGS, rows };
}
