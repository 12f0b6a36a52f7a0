import type { LineSeriesOption, ScatterSeriesOption } from 'echarts/charts';
import type { EChartsOption } from 'echarts';
import { addDays, daysBetween, type CalendarDay } from '@/core/calendar';
import { aimAt, valuesOf } from '@/core/goals';
import { rangeOf } from '@/core/progress';
import { HELP_LEVELS } from '@/core/vocabulary';
import type { GoalInFull } from '@/server/progress/goalInFull';
import type { ProgressView } from '@/server/progress/viewProgress';
import { dayAndMonth } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { skinWords } from './reportWords';

/** Readable in black and white: each kind of data has a mark of its own, and no color says what nothing else says. */
const INK = '#1f2a27';
const SOFT = '#54605c';
const GREEN = '#205c50';
const SLATE = '#3a4a63';
const SAND = '#e9e1d4';
const BAND = '#f7e7bd';
const FONT = { fontFamily: 'inherit', fontSize: 13, color: SOFT };

/**
 * The chart of a goal: own measures as filled squares, the family's word as open circles, the aim dashed, the trend as a line in its band up to the review, steps
 * as upright lines, skins as dotted ones, free school days shaded.
 */
export function chartOption(here: GoalInFull, today: CalendarDay, breaks: ProgressView['breaks']): EChartsOption | null {
  const { goal, figures, tasks } = here;
  const { measure, reviewOn } = goal;
  const values = valuesOf(measure);
  const range = rangeOf(goal);
  if (!values || !range || measure.kind === 'words') return null;
  const first = measure.baselineOn;
  const lastPoint = [...figures.ownPoints, ...figures.family].reduce((last, { day }) => (day > last ? day : last), today);
  const end = reviewOn > lastPoint ? reviewOn : lastPoint;
  const most = measure.kind === 'minutes' ? Math.ceil(Math.max(values.to, ...figures.ownPoints.map(({ value }) => value)) * 1.2) : range[1];
  const titleOf = (taskId: number) => tasks.find((task) => task.taskId === taskId)?.title.en ?? '';
  const several = new Set(figures.phases.map(({ taskId }) => taskId)).size > 1;
  const steps = figures.phases.filter(({ from }) => from >= first && from <= end);
  const own: ScatterSeriesOption = {
    name: 'measured',
    type: 'scatter',
    z: 6,
    symbol: 'rect',
    symbolSize: 10,
    silent: true,
    itemStyle: { color: SLATE },
    data: figures.ownPoints.map(({ day, value }) => [day, value]),
    markLine: {
      silent: true,
      symbol: 'none',
      lineStyle: { color: SOFT, type: 'solid', width: 1 },
      label: { ...FONT, color: INK, position: 'end', fontSize: 12 },
      data: [
        ...steps.map(({ taskId, step, from }) => ({
          xAxis: from,
          label: { formatter: several ? `${titleOf(taskId).slice(0, 14)} ${step}` : `step ${step}`, rotate: several ? 30 : 0 },
        })),
        ...figures.skins
          .filter(({ from }) => from >= first && from <= end)
          .map(({ skin, from }) => ({
            xAxis: from,
            lineStyle: { type: 'dotted' as const, color: SOFT },
            label: { formatter: skinWords(skin), position: 'insideStartTop' as const, rotate: 90, fontSize: 11 },
          })),
        {
          xAxis: today,
          lineStyle: { type: 'dotted' as const, color: INK },
          label: { formatter: 'today', position: 'insideEndTop' as const, rotate: 90 },
        },
      ],
    },
  };
  /** Under everything else: the days without school. */
  const free: ScatterSeriesOption = {
    name: 'free',
    type: 'scatter',
    z: 0,
    data: [],
    markArea: {
      silent: true,
      itemStyle: { color: SAND },
      data: breaks.filter(({ to, from }) => to >= first && from <= end).map(({ from, to }) => [{ xAxis: from }, { xAxis: addDays(to, 1) }]),
    },
  };
  const family: ScatterSeriesOption = {
    name: 'family',
    type: 'scatter',
    z: 5,
    symbol: 'circle',
    symbolSize: 7,
    silent: true,
    itemStyle: { color: '#fffefa', borderColor: GREEN, borderWidth: 1.5 },
    data: figures.family.map(({ day, value }) => [day, value]),
  };
  const aim: LineSeriesOption = {
    name: 'aim',
    type: 'line',
    z: 3,
    symbol: 'none',
    silent: true,
    lineStyle: { color: INK, type: 'dashed', width: 1.2 },
    data: [
      [first, values.from],
      [reviewOn, aimAt(goal, reviewOn)],
    ],
    endLabel: { show: true, formatter: 'aim', ...FONT, color: INK },
  };
  return {
    animation: false,
    textStyle: { fontFamily: 'inherit' },
    grid: { left: 74, right: 60, top: several ? 74 : 34, bottom: 26 },
    xAxis: {
      type: 'time',
      min: first,
      max: end,
      axisLabel: {
        ...FONT,
        hideOverlap: true,
        formatter: (at: number) => dayAndMonth(new Date(at).toISOString().slice(0, 10) as CalendarDay).replace(/^\w+, /, ''),
      },
      splitLine: { show: false },
      axisLine: { lineStyle: { color: SOFT } },
    },
    yAxis: {
      type: 'value',
      min: range[0],
      max: most,
      ...(measure.kind === 'help' && { interval: 1 }),
      axisLabel: {
        ...FONT,
        formatter: (value: number) => (measure.kind === 'help' ? words(`helps.${HELP_LEVELS[value]!}`) : String(value)),
      },
      splitLine: { show: false },
    },
    series: [free, ...bandOf(here, end), aim, family, own],
  };
}

/** The trend from the baseline to the review, no further, with the space between the ends of its interval. */
function bandOf({ goal, figures }: GoalInFull, end: CalendarDay): LineSeriesOption[] {
  const { measure, reviewOn } = goal;
  const trend = figures.own?.trend;
  if (!trend || measure.kind === 'words') return [];
  const [least, most] = rangeOf(goal)!;
  const last = reviewOn < end ? reviewOn : end;
  const days = Array.from({ length: 25 }, (_, index) =>
    addDays(measure.baselineOn, Math.round((index / 24) * daysBetween(measure.baselineOn, last))),
  );
  const at = (slope: number, day: CalendarDay) =>
    Math.min(most, Math.max(least, trend.medianY + slope * (daysBetween(measure.baselineOn, day) - trend.medianX)));
  const bounds = days.map((day) => [at(trend.low, day), at(trend.high, day)].sort((a, b) => a - b) as [number, number]);
  const bare = { type: 'line', symbol: 'none', silent: true, z: 1 } as const;
  return [
    { ...bare, name: 'low', stack: 'band', lineStyle: { opacity: 0 }, data: days.map((day, index) => [day, bounds[index]![0]]) },
    {
      ...bare,
      name: 'band',
      stack: 'band',
      lineStyle: { opacity: 0 },
      areaStyle: { color: BAND, opacity: 1 },
      data: days.map((day, index) => [day, bounds[index]![1] - bounds[index]![0]]),
    },
    {
      ...bare,
      name: 'trend',
      lineStyle: { color: SLATE, width: 2 },
      data: days.map((day) => [day, at(trend.slope, day)]),
      endLabel: { show: true, formatter: 'trend', ...FONT, color: SLATE },
    },
  ];
}
