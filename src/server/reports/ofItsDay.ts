import { addDays, type CalendarDay } from '@/core/calendar';
import { dangerIn } from '@/core/safety';
import { checkSession, type SessionFacts } from '@/core/reports';
import type { AskedByText } from './replies/replyTasks';
import type { ItemToTake, Origin } from './takeIn';
import { ENTRY_DAYS_BACK } from './viewEntry';

export interface TypedIn {
  readonly childId: number;
  /** The task as the version of that day asked for it. */
  readonly task: AskedByText;
  readonly facts: Omit<SessionFacts, 'step' | 'safetyWord' | 'press'>;
  readonly idempotencyKey: string;
  readonly origin: Origin;
  readonly today: CalendarDay;
}

/** Files an entry of one task and day at the step of that day; words of harm put the task on hold. Returns the code of the fault otherwise. */
export function ofItsDay({ childId, task, facts, idempotencyKey, origin, today }: TypedIn): ItemToTake | { readonly code: string } {
  const { step, takesHalves, versionTaskId, taskId } = task;
  const hurts = dangerIn(facts.words).length > 0 || facts.stopReason === 'pain';
  const whole: SessionFacts = { ...facts, step, safetyWord: hurts, press: null };
  const earliest = addDays(today, -ENTRY_DAYS_BACK);
  const judged = checkSession(whole, { today, earliest, step, chooseFrom: step, chooseTo: step, takesHalves });
  if (!judged.ok) return { code: judged.issues[0]!.code };
  return { idempotencyKey, childId, versionTaskId, taskId, facts: judged.value, origin };
}
