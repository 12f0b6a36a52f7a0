import type { DatedSession, Outcome } from '../reports';
import { HELP_LEVELS, type HelpLevel } from '../vocabulary';

/** The two orders of prompt fading. Common practice, no source. */
export type PromptFading = 'mostToLeast' | 'leastToMost';

/** Which help to begin with next time, and how far to go where it does not do. */
export interface AskedHelp {
  readonly first: HelpLevel;
  readonly upTo: HelpLevel;
}

/**
 * The help that is asked for next. *Most to least* begins with the help that the last session needed and takes one level away once it was reached,
 * or gives one back after a struggle; *least to most* always begins by waiting, and adds level by level up to what the last one needed.
 * Common practice, no source.
 * @param sessions at the present step, oldest first, each with what it shows; those that tell no help say nothing here
 * @param most the most help with which a session may still count as reached: where nothing was told yet, it begins there
 * @example askedHelp('mostToLeast', [reachedWith('shown')], 'shown') // { first: 'pointed', upTo: 'shown' }
 */
export function askedHelp(
  order: PromptFading,
  sessions: readonly (Pick<DatedSession, 'help'> & { readonly outcome: Outcome })[],
  most: HelpLevel,
): AskedHelp {
  const last = sessions.filter(({ help, outcome }) => help !== null && outcome !== 'refused' && outcome !== 'uncounted').at(-1);
  if (order === 'leastToMost') {
    const needed = last ? (last.outcome === 'struggled' ? shifted(last.help!, -1) : last.help!) : most;
    return { first: 'alone', upTo: needed };
  }
  if (!last) return { first: most, upTo: most };
  const first = last.outcome === 'reached' ? shifted(last.help!, 1) : last.outcome === 'struggled' ? shifted(last.help!, -1) : last.help!;
  return { first, upTo: HELP_LEVELS[Math.min(HELP_LEVELS.indexOf(first), HELP_LEVELS.indexOf(last.help!))]! };
}

/** A level with less help (1) or more (-1), within the six. */
function shifted(level: HelpLevel, by: 1 | -1): HelpLevel {
  return HELP_LEVELS[Math.min(HELP_LEVELS.length - 1, Math.max(0, HELP_LEVELS.indexOf(level) + by))]!;
}
