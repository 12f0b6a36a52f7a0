import { HELP_LEVELS, type HelpLevel, type Session } from './session';

export type Outcome = 'reached' | 'partly' | 'struggled' | 'saidNotDone';

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

/**
 * What a session shows: *reached* at 80 % of the target and over, with help no more than the goal allows; *struggled* under
 * 50 %, or said too hard, or stopped upset or in pain; else *partly*. Help that was not told does not stand against it.
 * @param target above 0, in the unit of `session.amount`
 * @throws RangeError for a target of 0 or less.
 * @example outcomeOf({ done: true, amount: 8, help: 'words', … }, 10) // 'reached'
 */
export function outcomeOf(session: Session, target: number, settings = DEFAULT_OUTCOME_SETTINGS): Outcome {
  if (!(target > 0)) throw new RangeError(`The target is ${target}; it must be above 0`);
  if (!session.done) return 'saidNotDone';
  const share = session.amount / target;
  const stoppedHurt = session.stopReason === 'upset' || session.stopReason === 'pain';
  if (share < settings.struggledShare || session.effort === 'tooHard' || stoppedHurt) return 'struggled';
  return share >= settings.reachedShare && helpWithin(session.help, settings.mostHelp) ? 'reached' : 'partly';
}

function helpWithin(given: HelpLevel | null, most: HelpLevel): boolean {
  return given === null || HELP_LEVELS.indexOf(given) >= HELP_LEVELS.indexOf(most);
}
