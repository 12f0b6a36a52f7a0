import { judgeSafety, thingsAt, type ChildForSafety, type Precaution, type SafetyFinding } from '../safety';
import { precautionsBetween } from './precautionsBetween';
import type { TaskContent } from '../tasks';
import type { TaskChoices } from './programDraft';

export interface SettledFinding {
  readonly finding: SafetyFinding;
  /** True where a rule blocks, or asks for a reason that nobody has given. */
  readonly stops: boolean;
}

/** A reason is a few letters at least. */
const LEAST_REASON = 3;

/**
 * Judges the steps that a family may do by the rules of safety, taking the therapist's reasons into account.
 * @param task as this child is given it: settings and substitutes are in
 * @param from, to steps of its ladder, 1-based, both included
 */
export function safetyBetween(
  task: TaskContent,
  from: number,
  to: number,
  child: ChildForSafety & { readonly precautions: readonly Precaution[] },
  reasons: TaskChoices['reasons'] = {},
): SettledFinding[] {
  const findings = [
    ...judgeSafety(task, thingsAt(task, from, to), child).findings,
    ...precautionsBetween(task, from, to, child.precautions),
  ];
  return findings.map((finding) => {
    const isReasoned = finding.severity === 'acknowledge' && (reasons[finding.key] ?? '').trim().length >= LEAST_REASON;
    return { finding, stops: finding.severity !== 'caution' && !isReasoned };
  });
}
