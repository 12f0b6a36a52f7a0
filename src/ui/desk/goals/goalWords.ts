import type { GoalContent, GoalMeasure } from '@/core/goals';
import { HELP_LEVELS } from '@/core/vocabulary';
import { words } from '../../shared/deskWords';

const rounded = (value: number) => String(Math.round(value * 10) / 10);

/** A value in the goal's own unit: "5 of 10", "words", "4 minutes", or the level in own words. */
export function unitWords(measure: GoalMeasure, value: number): string {
  switch (measure.kind) {
    case 'count':
      return `${rounded(value)} of ${measure.of}`;
    case 'minutes':
      return `${rounded(value)} ${rounded(value) === '1' ? 'minute' : 'minutes'}`;
    case 'help':
      return words(`helps.${HELP_LEVELS[Math.floor(value)]!}`);
    case 'rating':
      return `“${measure.levels[Math.floor(value)]!}”`;
    case 'words':
      return '';
  }
}

/** From where to where, across how many sessions, with how much help. */
export function criterionWords({ measure, mostHelp, sessions }: GoalContent): string {
  const [from, to] =
    measure.kind === 'words'
      ? [measure.baseline, measure.criterion]
      : measure.kind === 'help'
        ? [words(`helpPhrases.${measure.from}`), words(`helpPhrases.${measure.to}`)]
        : [unitWords(measure, measure.from), `${unitWords(measure, measure.to)}${measure.kind === 'count' ? ' trials' : ''}`];
  const many = sessions === 1 ? '' : ` across ${sessions} consecutive sessions`;
  const help = measure.kind === 'help' ? '' : `, with ${words(`helpPhrases.${mostHelp}`)}${mostHelp === 'alone' ? '' : ' or less'}`;
  return `From ${from} to ${to}${many}${help}.`;
}
