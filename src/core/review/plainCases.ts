import type { Decision } from './decision';
import { KIND_WEIGHTS } from './urgency';

/** The kinds of which several children’s may be settled in one go, each by its own suggestion. */
export const PLAIN_KINDS = ['ready', 'tooHard', 'comment'] as const;
export type PlainKind = (typeof PLAIN_KINDS)[number];

/**
 * Cards that may be settled together with others of their kind: the rule's own move, with nothing that speaks against it. A child of whom anything
 * weightier is open (harm, a question, a text, a task stopped by facts) is looked at by itself, and so is a step up that was tried before, at which
 * somebody refused, or for which help was not told every time.
 * @param open every open card of these children
 */
export function plainCases(open: readonly Decision[], kind: PlainKind): Decision[] {
  // Comments are read as a list, whatever else is open of the child: each keeps its own card.
  if (kind === 'comment') return open.filter((decision) => decision.kind === kind);
  return open.filter(
    (decision) =>
      decision.kind === kind &&
      decision.suggestion !== null &&
      (decision.suggestion.tries ?? []).length === 0 &&
      (decision.suggestion.evidence.refused ?? 0) === 0 &&
      (decision.suggestion.evidence.helpTold === undefined ||
        decision.suggestion.evidence.helpTold >= decision.suggestion.evidence.reachedInARow) &&
      !open.some(({ childId, kind: other }) => childId === decision.childId && KIND_WEIGHTS[other] > KIND_WEIGHTS.tooHard),
  );
}
