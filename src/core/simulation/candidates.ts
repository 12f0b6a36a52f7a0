import { RULES, type Rule } from '../stepRules';

const streak = (reachedInARow: number): Rule => ({ name: 'streak', settings: { ...RULES.streak.settings, reachedInARow } });
const mOfN = (reached: number, lastSessions: number): Rule => ({
  name: 'mOfN',
  settings: { ...RULES.mOfN.settings, reached, lastSessions },
});
const band = (below: number, above: number): Rule => ({ name: 'band', settings: { ...RULES.band.settings, below, above } });

/** Rules that are tried against each other: the three schools with their usual numbers, and each a little slower or faster. Our own choice. */
export const CANDIDATES = {
  row2: streak(2),
  row3: RULES.streak,
  row4: streak(4),
  row5: streak(5),
  three5: mOfN(3, 5),
  four5: RULES.mOfN,
  five6: mOfN(5, 6),
  band70: RULES.band,
  band60: band(0.6, 0.8),
} as const satisfies Readonly<Record<string, Rule>>;
export type CandidateId = keyof typeof CANDIDATES;
export const CANDIDATE_IDS = Object.keys(CANDIDATES) as readonly CandidateId[];
