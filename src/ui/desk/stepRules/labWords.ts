import type { CandidateId, FitCheck, LogFigure, ReplayFigures } from '@/core/simulation';
import { times } from '../parts/ruleWords';

/** Requirement of each candidate, in words. */
export const CANDIDATE_WORDS: Readonly<Record<CandidateId, string>> = {
  row2: '2 in a row',
  row3: '3 in a row',
  row4: '4 in a row',
  row5: '5 in a row',
  three5: '3 of the last 5',
  four5: '4 of the last 5',
  five6: '5 of the last 6',
  band70: 'success from 70 to 85%',
  band60: 'success from 60 to 80%',
};

/** How often a rule would have moved up and down, how that compares to what happened, and the struggles that came after. */
export function replayCells({
  up,
  down,
  same,
  sooner,
  later,
  other,
  waits,
  medianDaysSooner,
  strugglesAfterDown,
}: ReplayFigures): (number | string)[] {
  const by = medianDaysSooner === null ? '' : `, by a median of ${times(Math.round(medianDaysSooner), 'day')}`;
  return [up, down, same, `${sooner}${by}`, later, other, waits, strugglesAfterDown];
}

const FIGURE_WORDS: Readonly<Record<LogFigure, { name: string; unit: (value: number) => string }>> = {
  reachedShare: { name: 'reached sessions', unit: percent },
  struggledShare: { name: 'struggled sessions', unit: percent },
  changesAMonth: { name: 'changes of step a month', unit: (value) => value.toFixed(1) },
};

/** "Reached sessions: 62% in your log, compared with 39 simulated caseloads of the same size: 55 to 68%." */
export function fitSentence({ figure, observed, low, high, fits }: FitCheck): string {
  const { name, unit } = FIGURE_WORDS[figure];
  const said = `${name.charAt(0).toUpperCase()}${name.slice(1)}: ${unit(observed)} in your log, compared with 39 simulated caseloads of the same size: ${unit(low)} to ${unit(high)}.`;
  return fits ? said : `${said} These families do not have it: take what follows about it with care.`;
}

/** @example percents(0.49, 0.554) // '49–55%' */
export function percents(low: number, high: number): string {
  return `${Math.round(low * 100)}–${percent(high)}`;
}

/** @example percent(0.625) // '63%' */
export function percent(share: number): string {
  return `${Math.round(share * 100)}%`;
}
