import type { CalendarDay } from '../calendar';
import { outcomeOf, type DatedSession, type OutcomeSettings } from '../reports';
import { withoutUndone } from '../withoutUndone';
import type { Suggestion, Try } from './suggestion';

interface StepChange {
  readonly fromStep: number | null;
  readonly toStep: number;
  readonly changedOn: CalendarDay;
  readonly cause?: string;
}

/** After so many tries that ended in a step down, the same step is not suggested again. Common practice, no source. */
const FAILED_TRIES = 2;

/**
 * The earlier tries at a step: each stay at it that began with a step up and is over, oldest first.
 * @param changes of one task, oldest first
 * @param sessions of that task; those at other steps are left out
 */
export function triesAt(
  step: number,
  changes: readonly StepChange[],
  sessions: readonly DatedSession[],
  outcomeSettings?: OutcomeSettings,
): Try[] {
  const counted = sessions
    .filter((session) => session.done && session.step === step)
    .map((session) => ({ ...session, outcome: outcomeOf(session, session.target, outcomeSettings) }))
    .filter(({ outcome }) => outcome !== 'uncounted');
  const kept = withoutUndone(changes);
  return kept.flatMap((change, index): Try[] => {
    const next = kept[index + 1];
    if (change.toStep !== step || change.fromStep === null || change.fromStep >= step || !next) return [];
    // Sessions on the very day of the next change may be of either step; each names its own.
    const own = counted.filter(({ doneOn }) => doneOn >= change.changedOn && doneOn <= next.changedOn);
    const reached = own.filter(({ outcome }) => outcome === 'reached').length;
    return [{ from: change.changedOn, sessions: own.length, reached, endedDown: next.toStep < step }];
  });
}

/**
 * A rule's answer, with what was tried before at the step that it leads to. After two tries that ended in a step down the
 * same jump is not suggested once more: the ladder is looked at instead, or the child in school.
 * @example remember(up, [failed, failed]).move // 'stuck'
 */
export function remember(suggestion: Suggestion, tries: readonly Try[]): Suggestion {
  const told = { ...suggestion, tries: [...tries] };
  if (suggestion.move !== 'up' || tries.filter(({ endedDown }) => endedDown).length < FAILED_TRIES) return told;
  return { ...told, move: 'stuck', whatWouldChange: { code: 'anotherWay' } };
}
