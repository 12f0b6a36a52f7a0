import { groupBy } from '../groupBy';
import type { Decision, DecisionKind } from './decision';

/**
 * How much each kind of card weighs: harm before all, then what cannot wait for a person, then what practice asks for, then
 * silence. The one place in which the order of a round is settled. Common practice, no source.
 */
export const KIND_WEIGHTS: Readonly<Record<DecisionKind, number>> = {
  safetyWord: 1000,
  maybeHurt: 950,
  unsafe: 900,
  unsuitable: 850,
  flooded: 800,
  pressed: 750,
  question: 700,
  text: 650,
  comment: 620,
  sentBack: 600,
  tooHard: 500,
  ready: 400,
  stuck: 350,
  ladderEnd: 300,
  handSettled: 250,
  quiet: 200,
  ended: 170,
  ending: 150,
  neverOpened: 100,
};

/** Limit of what the days of silence or of an ending add: too little for one kind to overtake the next. */
const MOST_FOR_DAYS = 15;

export interface Urgency {
  readonly ofKind: number;
  /** For the days that it has lasted; of an ending, for how near it is. */
  readonly ofDays: number;
}

/** How urgent one card is. @example urgencyOf({ kind: 'quiet', days: 9 }) // { ofKind: 200, ofDays: 9 } */
export function urgencyOf({ kind, days }: Pick<Decision, 'kind' | 'days'>): Urgency {
  const lasted = days === null ? 0 : kind === 'ending' ? MOST_FOR_DAYS - days : days;
  return { ofKind: KIND_WEIGHTS[kind], ofDays: Math.max(0, Math.min(MOST_FOR_DAYS, lasted)) };
}

const weightOf = (decision: Pick<Decision, 'kind' | 'days'>) => {
  const { ofKind, ofDays } = urgencyOf(decision);
  return ofKind + ofDays;
};

/**
 * Cards in the order of a round: by child, where its weightiest card stands, or stood before it was settled today, so that who goes on
 * from card to card passes nobody by; within a child the weightier first. What weighs the same stays as it came.
 * @param settled what was settled on this day
 */
export function inOrder(all: readonly Decision[], settled: readonly Pick<Decision, 'childId' | 'kind'>[]): Decision[] {
  const weights = new Map<number, number>();
  for (const each of [...settled.map((one) => ({ ...one, days: null })), ...all])
    weights.set(each.childId, Math.max(weights.get(each.childId) ?? 0, weightOf(each)));
  return [...groupBy(all, ({ childId }) => childId)]
    .sort(([one], [other]) => weights.get(other)! - weights.get(one)!)
    .flatMap(([, own]) => [...own].sort((one, other) => weightOf(other) - weightOf(one)));
}
