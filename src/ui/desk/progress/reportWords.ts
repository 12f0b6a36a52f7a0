import { valuesOf, type GoalContent } from '@/core/goals';
import { BASELINE_ID, type BuiltSentence, type GoalFigures, type SourcedPoint, type Standing, type Trend } from '@/core/progress';
import { HELP_LEVELS, type SKINS } from '@/core/vocabulary';
import { dayAndMonth, longDay } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { unitWords } from '../goals/goalWords';

const tenth = (value: number) => String(Math.round(value * 10) / 10);

/** A sentence of the report, how one knows what it says, and what it was made of. */
export interface KnownSentence extends BuiltSentence {
  readonly how: string;
  /** The measures, or the family’s reports, behind its figures. */
  readonly behind: { readonly whose: 'own' | 'family'; readonly points: readonly SourcedPoint[] };
}

/** The name of a theme; one that is no longer in the library is shown by its id. */
export function skinWords(skin: string): string {
  return words(`skins.${skin as (typeof SKINS)[number]}`);
}

/** A value as a sentence says it: “5 of 10”, “verbal cues”, “4 minutes”, or the level in the goal’s own words. */
function saidOf(measure: GoalContent['measure'], value: number): string {
  return measure.kind === 'help' ? words(`helpPhrases.${HELP_LEVELS[Math.floor(value)]!}`) : unitWords(measure, value);
}

/** A change of a week in the goal's unit, without its sign. */
function weekly(measure: GoalContent['measure'], slope: number): string {
  const value = tenth(Math.abs(slope) * 7);
  switch (measure.kind) {
    case 'count':
      return `${value} of ${measure.of}`;
    case 'minutes':
      return `${value} ${value === '1' ? 'minute' : 'minutes'}`;
    case 'help':
      return `${value} ${value === '1' ? 'level' : 'levels'} of help`;
    default:
      return `${value} ${value === '1' ? 'level' : 'levels'}`;
  }
}

/** A change of a week with its direction; for a goal that is about help, more independence is the gain. */
function changeWords(measure: GoalContent['measure'], slope: number): string {
  if (tenth(slope * 7) === '0' || tenth(slope * 7) === '-0') return 'no change';
  return `${slope > 0 ? 'an increase' : 'a decrease'}${measure.kind === 'help' ? ' in independence' : ''} of ${weekly(measure, slope)}`;
}

/** The trend of a week and the interval that it may lie in, in words. */
function trendWords(measure: GoalContent['measure'], { slope, low, high }: Pick<Trend, 'slope' | 'low' | 'high'>): string {
  const change = changeWords(measure, slope);
  const [least, most] = [changeWords(measure, low), changeWords(measure, high)];
  if (least === most) return `School data show ${change} per week.`;
  const about = change.replace(' of ', ' of about ');
  const ends = [low, high].map((end) => tenth(Math.abs(end) * 7)).sort((one, other) => Number(one) - Number(other));
  return low > 0 || high < 0
    ? `School data show ${about} per week (likely between ${ends.join(' and ')}).`
    : `School data show ${about} per week. This is not certain: the data allow anything from ${least} to ${most}.`;
}

/** The report in one line: current level, baseline, goal and standing. Empty where the goal has no measure. */
export function reportLine({ measure, reviewOn }: GoalContent, figures: GoalFigures, calledName: string): string {
  const values = valuesOf(measure);
  const [first] = figures.ownPoints;
  const last = figures.ownPoints.at(-1);
  if (!values || !figures.own || !first || !last) return '';
  const [from, now] = [`${saidOf(measure, first.value)} (${longDay(first.day)})`, `${saidOf(measure, last.value)}${helpOf(measure, last)}`];
  const data =
    last === first ? `baseline ${from}, no school data since then` : `${now} on ${longDay(last.day)}, from a baseline of ${from}`;
  return `${calledName}: ${data}. Goal: ${saidOf(measure, values.to)} by ${longDay(reviewOn)}. ${standingWords(figures)}.`;
}

const helpOf = (measure: GoalContent['measure'], { help }: SourcedPoint) =>
  help && measure.kind !== 'help' ? ` with ${words(`helpPhrases.${help}`)}` : '';

/** A row of the report's table, in words; the family's reports and the school data stay apart. */
export interface ReportRow {
  readonly date: string;
  readonly source: string;
  readonly value: string;
  readonly help: string;
}

/** The data behind the report, oldest first. */
export function reportTable({ measure }: GoalContent, { ownPoints, family }: GoalFigures): ReportRow[] {
  const rowsOf = (points: readonly SourcedPoint[], source: string) =>
    points.map((point) => ({
      day: point.day,
      row: {
        date: longDay(point.day),
        source: point.sourceId === BASELINE_ID && source === SCHOOL ? `${SCHOOL} (baseline)` : source,
        value: unitWords(measure, point.value),
        help: point.help ? words(`helps.${point.help}`) : 'not recorded',
      },
    }));
  return [...rowsOf(ownPoints, SCHOOL), ...rowsOf(family, 'Family report')]
    .sort((one, other) => (one.day < other.day ? -1 : one.day > other.day ? 1 : 0))
    .map(({ row }) => row);
}

const SCHOOL = 'School data';

/** Builds the sentences about a goal: each from figures, with what is known and what is not. */
export function reportSentences(goal: GoalContent, figures: GoalFigures, calledName: string): KnownSentence[] {
  const { measure, reviewOn } = goal;
  const values = valuesOf(measure);
  const { own, ownPoints, family, helpNotTold, plannedDays, daysWithoutWord, nonoverlap } = figures;
  if (!values || !own) return [];
  const unit = (value: number) => saidOf(measure, value);
  const [first] = ownPoints;
  const last = ownPoints.at(-1)!;
  const behind = { whose: 'own' as const, points: ownPoints };
  const measured: KnownSentence = {
    key: 'measured',
    behind,
    says:
      last === first
        ? `At baseline on ${longDay(last.day)}, ${calledName} was at ${unit(last.value)}. There are no school data since then.`
        : `${calledName} went from ${unit(first!.value)} at baseline (${longDay(first!.day)}) to ${unit(last.value)} on ${longDay(last.day)}${helpOf(measure, last)}.`,
    how: `School data, including the baseline: ${ownPoints.map(({ day, value }) => `${dayAndMonth(day)} ${unit(value)}`).join(' · ')}.`,
  };
  return [measured, trendSentence(goal, figures), standingSentence(goal, figures), ...familySentences()];

  function familySentences(): KnownSentence[] {
    if (plannedDays === 0 && family.length === 0) return [];
    const count = family.length;
    const counts = family.map(({ value }) => value);
    const [least, most] = [Math.min(...counts), Math.max(...counts)];
    const span = count === 0 ? '' : least === most ? ` Each was ${unit(least)}.` : ` They ranged from ${unit(least)} to ${unit(most)}.`;
    const days = plannedDays === 0 ? '' : ` There was a report on ${plannedDays - daysWithoutWord} of ${plannedDays} planned days.`;
    const unknown = [
      ...(helpNotTold > 0 ? [`The level of help was not recorded for ${helpNotTold} of the ${count}.`] : []),
      ...(daysWithoutWord > 0
        ? [
            `There was no report on ${daysWithoutWord} planned ${daysWithoutWord === 1 ? 'day' : 'days'}, so practice on ${daysWithoutWord === 1 ? 'that day' : 'those days'} is unknown.`,
          ]
        : []),
    ];
    return [
      {
        key: 'family',
        behind: { whose: 'family', points: family },
        says: `The family reported ${count} home practice ${count === 1 ? 'session' : 'sessions'} with results.${span}${days}`,
        how: `Family reports, in the goal’s unit: the count ÷ the target of that day. They are never combined with your school data.${
          nonoverlap
            ? ` Of ${nonoverlap.better + nonoverlap.worse + nonoverlap.tied} pairs of the last two phases, the later one is better in ${nonoverlap.better} and worse in ${nonoverlap.worse}: nonoverlap ${tenth(nonoverlap.nap * 100)}%.`
            : ''
        }`,
      },
      ...(unknown.length > 0
        ? [
            {
              key: 'unknown',
              behind: { whose: 'family' as const, points: family.filter(({ help }) => help === null) },
              says: unknown.join(' '),
              how: 'A missing report does not mean “not done”: the family may have practiced on those days.',
            },
          ]
        : []),
    ];
  }

  function trendSentence({ measure: of }: GoalContent, { own: standing }: GoalFigures): KnownSentence {
    const { trend, correlation, points } = standing!;
    if (!trend)
      return {
        key: 'trend',
        behind,
        says: `A trend cannot be shown yet: ${points.length} of the 5 data points needed ${points.length === 1 ? 'has' : 'have'} been collected at school.`,
        how: 'With fewer than five data points, no line is drawn and nothing is projected.',
      };
    const ends = `${tenth(trend.low * 7)} to ${tenth(trend.high * 7)}`;
    return {
      key: 'trend',
      behind: { whose: 'own', points: points as readonly SourcedPoint[] },
      says: trendWords(of, trend),
      how: `${points.length} measures make ${trend.pairs} pairs. Each pair gives a slope. The middle one is ${tenth(trend.slope * 7)} a week. Ranks ${trend.ranks[0]} to ${trend.ranks[1]} of the ${trend.pairs} give the 95% interval: ${ends} (Theil and Sen).${
        correlation?.tau === null || !correlation
          ? ''
          : ` Kendall’s tau-b ${Math.round(correlation.tau * 100) / 100}, p ${correlation.p < 0.001 ? '< 0.001' : Math.round(correlation.p * 1000) / 1000}${correlation.by === 'count' ? ', counted out' : ''}.`
      }`,
    };
  }

  function standingSentence({ sessions }: GoalContent, { own: standing }: GoalFigures): KnownSentence {
    const { projection, fourPoints, metInARow } = standing!;
    const asked = unit(values!.to);
    const four = {
      tooFew: 'There are too few data points for the four-point rule.',
      allBelow: 'The last four data points are below the aim line. Consider a change.',
      allAbove: 'The last four data points are above the aim line. Consider a higher goal.',
      neither: 'The last four data points are on both sides of the aim line.',
    }[fourPoints];
    if (standing!.standing === 'reached')
      return {
        key: 'standing',
        behind,
        says: `The goal of ${asked} is met.`,
        how: `The criterion was met ${metInARow} times in a row. The goal asks for ${sessions}. ${four}`,
      };
    if (!projection) return { key: 'standing', behind, says: `The goal is ${asked} by ${longDay(reviewOn)}.`, how: four };
    const [low, high] = [unit(projection.low), unit(projection.high)];
    return {
      key: 'standing',
      behind,
      says: `At the current rate, ${calledName} is projected to be at ${unit(projection.mid)}${low === high ? '' : ` (likely ${low} to ${high})`} on ${longDay(reviewOn)}. The goal is ${asked}.`,
      how: `The line through the middle of the data, with the middle slope and with either end of its interval, up to the review date and no further. ${
        BY_RULE[standing!.standing]
      } ${
        projection.meetsOn ? `It meets the criterion on ${longDay(projection.meetsOn)}. ` : 'It does not meet the criterion by then. '
      }${four}`,
    };
  }
}

/** The rule behind each standing that a trend can have. */
const BY_RULE: Readonly<Record<Standing, string>> = {
  reached: '',
  notEnough: '',
  onTrack: 'On track: the trend meets the criterion, or comes within 5% of the way to it.',
  tooSlow: 'Progressing, but not on track: the whole interval of the slope is above zero, but the trend does not meet the criterion.',
  notMoving: 'No measurable progress: the interval of the slope includes zero, so these data do not show a certain gain.',
};

/** Names the verdict in a line. */
export function standingWords({ own }: Pick<GoalFigures, 'own'>): string {
  if (!own) return '';
  const sure = own.standing === 'onTrack' && !own.isSure ? ', but not certain' : '';
  return `${words(`standings.${own.standing}`)}${sure}`;
}
