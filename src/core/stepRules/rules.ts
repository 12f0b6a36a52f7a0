import { RULE_NAMES } from '../vocabulary';

export { RULE_NAMES };
export type RuleName = (typeof RULE_NAMES)[number];

interface Common {
  /** On at least so many different days. */
  readonly onDays: number;
  /** A pause of more days than this restarts the count. */
  readonly gapDays: number;
}

/** In a row. */
export interface StreakSettings extends Common {
  /** Reached sessions in a row before a step up. */
  readonly reachedInARow: number;
  /** Struggled sessions in a row before a step down, on as many days as a step up needs. */
  readonly struggledInARow: number;
}

/** A number of the last few sessions. */
export interface MOfNSettings extends Common {
  /** The last so many sessions are looked at. */
  readonly lastSessions: number;
  readonly reached: number;
  readonly struggled: number;
}

/** A mean success kept within a band. */
export interface BandSettings extends Common {
  readonly lastSessions: number;
  /** Shares of the target, 0 to 1. */
  readonly below: number;
  readonly above: number;
}

export type Rule =
  | { readonly name: 'streak'; readonly settings: StreakSettings }
  | { readonly name: 'mOfN'; readonly settings: MOfNSettings }
  | { readonly name: 'band'; readonly settings: BandSettings };

/** Common practice, no source. */
export const DEFAULT_STREAK: StreakSettings = { reachedInARow: 3, onDays: 2, struggledInARow: 2, gapDays: 14 };

/** Each rule with its usual numbers. Common practice, no source. */
export const RULES = {
  streak: { name: 'streak', settings: DEFAULT_STREAK },
  mOfN: { name: 'mOfN', settings: { lastSessions: 5, reached: 4, struggled: 3, onDays: 2, gapDays: 14 } },
  band: { name: 'band', settings: { lastSessions: 5, below: 0.7, above: 0.85, onDays: 2, gapDays: 14 } },
} as const satisfies { readonly [Name in RuleName]: Extract<Rule, { name: Name }> };

/** Which rule holds for a task: what was chosen for it, else for the child, else for the caseload, else three in a row. */
export function ruleFor(...chosen: readonly (RuleName | null | undefined)[]): Rule {
  return RULES[chosen.find((name) => name !== null && name !== undefined) ?? 'streak'];
}

/**
 * Older sessions can't change the answer of any rule: five sessions, each at most 14 days after the one before and the last
 * at most 14 days ago, lie within ten weeks.
 */
export const EVIDENCE_DAYS = RULES.mOfN.settings.gapDays * RULES.mOfN.settings.lastSessions;
