import { daysBetween, type CalendarDay } from '@/core/calendar';
import { aimAt, valuesOf } from '@/core/goals';
import { editedParagraph, rangeOf, type ReportDrawing, type ReportPage } from '@/core/progress';
import type { GoalInFull } from '@/server/progress/goalInFull';
import type { Period } from '@/server/progress/periodOn';
import { longDay } from '../../shared/days';
import { criterionWords, unitWords } from '../goals/goalWords';
import { reportSentences, skinWords, standingWords } from './reportWords';

const LEGEND =
  'Squares: school data. Circles: family reports, which are never combined with the school data. Dashed: aim line. Text with a line at the side was written by the therapist. Everything else is calculated from the data.';

/** A child's goals as the report has them on paper: the same words and values as on the screen. */
export function reportPage(goals: readonly GoalInFull[], period: Period | null, today: CalendarDay): ReportPage {
  const [{ child, childName }] = goals as [GoalInFull];
  return {
    title: childName,
    under: `${period ? `${period.name}, ${longDay(period.from)} to ${longDay(period.to)}` : 'Progress'}. ${child.school}. Made on ${longDay(today)}.`,
    goals: goals.map((here) => ({
      statement: here.goal.statement,
      criterion: `${criterionWords(here.goal)} By ${longDay(here.goal.reviewOn)}.`,
      standing: standingWords(here.figures) || 'Not measured in numbers',
      paragraph: editedParagraph(reportSentences(here.goal, here.figures, child.calledName), here.words).parts,
      drawing: drawingOf(here, today),
    })),
    legend: LEGEND,
  };
}

function drawingOf({ goal, figures }: GoalInFull, today: CalendarDay): ReportDrawing | null {
  const { measure, reviewOn } = goal;
  const values = valuesOf(measure);
  const range = rangeOf(goal);
  if (!values || !range || measure.kind === 'words') return null;
  const begun = measure.baselineOn;
  const end = reviewOn > today ? reviewOn : today;
  const most = measure.kind === 'minutes' ? Math.max(values.to, ...figures.ownPoints.map(({ value }) => value)) : range[1];
  const at = (day: CalendarDay, value: number): [number, number] => [daysBetween(begun, day) / daysBetween(begun, end), value / most];
  const points = (given: readonly { readonly day: CalendarDay; readonly value: number }[]) =>
    given.filter(({ day }) => day >= begun && day <= end).map(({ day, value }) => at(day, value));
  return {
    aim: [at(begun, values.from), at(reviewOn, aimAt(goal, reviewOn)!)],
    own: points(figures.ownPoints),
    family: points(figures.family),
    steps: figures.phases
      .filter(({ from }) => from > begun && from <= end)
      .map(({ step, from }) => ({ x: at(from, 0)[0], label: `step ${step}` })),
    skins: figures.skins
      .filter(({ from }) => from > begun && from <= end)
      .map(({ skin, from }) => ({ x: at(from, 0)[0], label: skinWords(skin) })),
    least: unitWords(measure, range[0]),
    most: unitWords(measure, most),
    from: longDay(begun),
    to: longDay(end),
  };
}
