import { valuesOf, type GoalContent } from '@/core/goals';
import type { BuiltSentence, GoalFigures, SourcedPoint, Standing } from '@/core/progress';
import type { SKINS } from '@/core/vocabulary';
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

/** How a skin is called; one that the stock has no more, by its own name. */
export function skinWords(skin: string): string {
  return words(`skins.${skin as (typeof SKINS)[number]}`);
}

/** The gain of a week, in the goal's unit. */
function weekly(measure: GoalContent['measure'], slope: number): string {
  const value = tenth(Math.abs(slope) * 7);
  return measure.kind === 'minutes' ? `${value} minutes` : measure.kind === 'help' ? `${value} levels of help` : value;
}

/** Builds the sentences about a goal: each from figures, with what is known and what is not. */
export function reportSentences(goal: GoalContent, figures: GoalFigures, calledName: string): KnownSentence[] {
  const { measure, reviewOn } = goal;
  const values = valuesOf(measure);
  const { own, ownPoints, family, helpNotTold, plannedDays, daysWithoutWord, nonoverlap } = figures;
  if (!values || !own) return [];
  const unit = (value: number) => unitWords(measure, value);
  const [first] = ownPoints;
  const last = ownPoints.at(-1)!;
  const helped = last.help && measure.kind !== 'help' ? `, with help: ${words(`helps.${last.help}`)}` : '';
  const behind = { whose: 'own' as const, points: ownPoints };
  const measured: KnownSentence = {
    key: 'measured',
    behind,
    says:
      last === first
        ? `At baseline on ${longDay(last.day)}, ${calledName} was at ${unit(last.value)}. There are no school data since then.`
        : `${calledName} went from ${unit(first!.value)} at baseline (${longDay(first!.day)}) to ${unit(last.value)} on ${longDay(last.day)}${helped}.`,
    how: `School data, including the baseline: ${ownPoints.map(({ day, value }) => `${dayAndMonth(day)} ${unit(value)}`).join(' · ')}.`,
  };
  return [measured, trendSentence(goal, figures), standingSentence(goal, figures), ...familySentences()];

  function familySentences(): KnownSentence[] {
    if (plannedDays === 0 && family.length === 0) return [];
    const told = family.length;
    const counts = family.map(({ value }) => value);
    const span = told === 0 ? '' : ` Counts ranged from ${unit(Math.min(...counts))} to ${unit(Math.max(...counts))}.`;
    return [
      {
        key: 'family',
        behind: { whose: 'family', points: family },
        says: `The family reported ${told} home practice ${told === 1 ? 'session' : 'sessions'} with counts. There was a report on ${plannedDays - daysWithoutWord} of ${plannedDays} planned days.${span}`,
        how: `Family reports, in the goal’s unit: the count ÷ the target of that day. They are never combined with your school data.${
          nonoverlap
            ? ` Of ${nonoverlap.better + nonoverlap.worse + nonoverlap.tied} pairs of its last two phases the later one is better in ${nonoverlap.better}, worse in ${nonoverlap.worse}: nonoverlap ${tenth(nonoverlap.nap * 100)}%.`
            : ''
        }`,
      },
      ...(told > 0 || daysWithoutWord > 0
        ? [
            {
              key: 'unknown',
              behind: { whose: 'family' as const, points: family.filter(({ help }) => help === null) },
              says: `The level of help was not recorded for ${helpNotTold} of the ${told}. There was no report on ${daysWithoutWord} planned ${daysWithoutWord === 1 ? 'day' : 'days'}; practice on those days is unknown.`,
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
        says: `A trend cannot be shown yet: ${points.length} of the 5 data points needed have been collected at school.`,
        how: 'With fewer than five data points, no line is drawn and nothing is projected.',
      };
    const way = trend.slope > 0 ? 'an increase' : 'a decrease';
    const ends = `${tenth(trend.low * 7)} to ${tenth(trend.high * 7)}`;
    return {
      key: 'trend',
      behind: { whose: 'own', points: points as readonly SourcedPoint[] },
      says:
        trend.slope === 0
          ? `School data show no change per week (95% interval ${ends}).`
          : `School data show ${way} of about ${weekly(of, trend.slope)} per week (95% interval ${ends}).`,
      how: `${points.length} measures make ${trend.pairs} pairs. Each pair gives a slope; the middle one is ${tenth(trend.slope * 7)} a week. Ranks ${trend.ranks[0]} to ${trend.ranks[1]} of the ${trend.pairs} give the 95% interval: ${ends} (Theil and Sen).${
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
        says: `The goal of ${asked} is reached.`,
        how: `The criterion was met ${metInARow} times in a row, of ${sessions} asked for. ${four}`,
      };
    if (!projection) return { key: 'standing', behind, says: `The goal asks for ${asked} by ${longDay(reviewOn)}.`, how: four };
    return {
      key: 'standing',
      behind,
      says: `At the current rate, ${calledName} is projected to reach ${unit(projection.mid)} (${unit(projection.low)} to ${unit(projection.high)}) by ${longDay(reviewOn)}. The goal is ${asked}.`,
      how: `The line through the middle of the data, with the middle slope and with either end of its interval, up to the review and no further. ${
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
  notMoving: 'Not moving: the interval of the slope reaches down to nothing, so that by these measures a gain is not sure.',
};

/** Names the verdict in a line. */
export function standingWords({ own }: Pick<GoalFigures, 'own'>): string {
  if (!own) return '';
  const sure = own.standing === 'onTrack' && !own.isSure ? ', not surely' : '';
  return `${words(`standings.${own.standing}`)}${sure}`;
}
