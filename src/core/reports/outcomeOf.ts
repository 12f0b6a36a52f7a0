import { requireAbove, requireAtLeast } from '../whole';
import { HELP_LEVELS, type HelpLevel } from '../vocabulary';
import type { Session } from './session';

/** `refused`: not done, since the child would not or was upset, which is evidence of its own kind; `uncounted`: done, and nobody told how much, nothing was asked for, or something hurt. */
export const OUTCOMES = ['reached', 'partly', 'struggled', 'refused', 'saidNotDone', 'uncounted'] as const;
export type Outcome = (typeof OUTCOMES)[number];

export interface OutcomeSettings {
  /** Share of the target, 0 to 1, from which on a session is reached. */
  readonly reachedShare: number;
  /** Share of the target, 0 to 1, under which a session is a struggle. */
  readonly struggledShare: number;
  /** The most help with which a session may still count as reached. */
  readonly mostHelp: HelpLevel;
}

/** Common practice, no source. */
export const DEFAULT_OUTCOME_SETTINGS: OutcomeSettings = { reachedShare: 0.8, struggledShare: 0.5, mostHelp: 'shown' };

/** Under so many the share of a target is too coarse, and all of it is asked for. Common practice, no source. */
const WHOLE_TARGET_UNDER = 5;

/**
 * Judges a session: *reached* at 80 % of the target and over (all of it where the target is under 5), with help no more than the
 * goal allows; *struggled* under 50 %, or reported too hard, or stopped upset; *uncounted* where no amount was reported or
 * something hurt; else *partly*. Help that was not reported does not count against it.
 * @param target finite and above 0, in the unit of `session.amount`; null where the step asks for nothing, and only watches
 * @throws RangeError for a target that is none, and for an amount below 0 or not finite.
 * @example outcomeOf({ done: true, amount: 8, help: 'words', … }, 10) // 'reached'
 */
export function outcomeOf(session: Session, target: number | null, settings = DEFAULT_OUTCOME_SETTINGS): Outcome {
  if (target !== null) requireAbove('target', target, 0);
  if (session.amount !== null) requireAtLeast('amount', session.amount, 0);
  if (!session.done) return isRefusal(session) ? 'refused' : 'saidNotDone';
  // Something hurt: a person looks at it, and it says nothing of the step.
  if (session.safetyWord || session.stopReason === 'pain') return 'uncounted';
  if (session.effort === 'tooHard' || session.stopReason === 'upset') return 'struggled';
  if (session.amount === null || target === null) return 'uncounted';
  const share = session.amount / target;
  if (share < settings.struggledShare) return 'struggled';
  const enough = target < WHOLE_TARGET_UNDER ? 1 : settings.reachedShare;
  return share >= enough && helpWithin(session.help, settings.mostHelp) ? 'reached' : 'partly';
}

/** The child would not, or was upset: no want of time. */
export function isRefusal({ done, stopReason }: Pick<Session, 'done' | 'stopReason'>): boolean {
  return !done && (stopReason === 'refused' || stopReason === 'upset' || stopReason === 'tooHard');
}

function helpWithin(given: HelpLevel | null, most: HelpLevel): boolean {
  return given === null || HELP_LEVELS.indexOf(given) >= HELP_LEVELS.indexOf(most);
}
