import type { CalendarDay, Instant } from '@/core/calendar';
import type { Decision, DecisionAnswer, SilenceAction } from '@/core/review';
import { tablesOf, type Work } from '../../work';

export interface NewDecision extends Pick<Decision, 'key' | 'kind' | 'childId' | 'taskId' | 'suggestion'> {
  readonly answer: DecisionAnswer;
  readonly followed: boolean;
  readonly reason: string;
  readonly decidedBy: number;
  readonly decidedAt: Instant;
  /** The day on which it comes back, where it was put off. */
  readonly laterUntil: CalendarDay | null;
  readonly silenceAction: SilenceAction | null;
}

/** Settles a decision, or puts it off. A second settlement of the same evidence meets a unique key: `isDuplicate` tells it. */
export async function settleDecision(work: Work, decision: NewDecision): Promise<number> {
  return tablesOf(work).insert('decisions', {
    child_id: decision.childId,
    task_id: decision.taskId,
    kind: decision.kind,
    decision_key: decision.key,
    answer: decision.answer,
    followed: decision.followed,
    reason: decision.reason,
    suggestion: decision.suggestion,
    decided_by: decision.decidedBy,
    decided_at: decision.decidedAt,
    later_until: decision.laterUntil,
    deed: decision.silenceAction,
  });
}

/** Takes a decision back: it is open again. */
export async function undoDecisionById(work: Work, id: number, undoneBy: number, at: Instant): Promise<void> {
  await tablesOf(work).update('decisions', { undone_at: at, undone_by: undoneBy }, { id });
}
