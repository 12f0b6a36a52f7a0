import { calendarDayInZone } from '@/core/calendar';
import type { ProgramTask } from '@/core/program';
import type { Child } from '@/core/child';
import { addMessage, addVersion, lockProgram, type NewVersion, type Work } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { textWords } from '../messages/textWords';

export interface VersionWish {
  readonly child: Child;
  /** The version that the sender looked at. Another one in force means that somebody else was first. */
  readonly expectedVersion: number;
  readonly startsOn: NewVersion['startsOn'];
  readonly endsOn: NewVersion['endsOn'];
  readonly note: string;
  readonly reason: NewVersion['reason'];
  readonly tasksFor: (number: number) => readonly Omit<ProgramTask, 'versionTaskId' | 'content'>[];
  readonly messageKind: 'program' | 'newStep';
}

/**
 * Writes the next frozen version of a child's program and puts its message in the post, within the caller's transaction.
 * @throws AppError staleVersion where the version in force is not the one that was looked at.
 */
export async function writeNextVersion(work: Work, context: Context, actor: PersonActor, wish: VersionWish): Promise<number> {
  const now = context.now();
  const { programId, currentVersion } = await lockProgram(work, wish.child.id, now);
  if (currentVersion !== wish.expectedVersion)
    throw new AppError('staleVersion', { expected: wish.expectedVersion, current: currentVersion });
  const number = currentVersion + 1;
  await addVersion(work, {
    programId,
    number,
    startsOn: wish.startsOn,
    endsOn: wish.endsOn,
    note: wish.note,
    reason: wish.reason,
    sentBy: actor.personId,
    sentAt: now,
    sentOn: calendarDayInZone(now, wish.child.timeZone),
    tasks: wish.tasksFor(number),
  });
  const words = await textWords(wish.child.familyLanguage, wish.messageKind);
  await addMessage(work, { childId: wish.child.id, kind: wish.messageKind, words, createdBy: actor.personId, createdAt: now });
  return number;
}

export interface StepChange {
  readonly childId: number;
  readonly taskId: number;
  readonly versionNumber: number;
  readonly fromStep: number | null;
  readonly toStep: number;
  readonly why: string;
  readonly decisionId: number | null;
}

/** Writes who changed which step, when and why. */
export async function recordStepChange(
  work: Work,
  context: Context,
  actor: PersonActor,
  timeZone: string,
  change: StepChange,
): Promise<void> {
  const now = context.now();
  await work.insert('grade_changes', {
    child_id: change.childId,
    task_id: change.taskId,
    version_number: change.versionNumber,
    from_step: change.fromStep,
    to_step: change.toStep,
    why: change.why.slice(0, 400),
    decision_id: change.decisionId,
    changed_by: actor.personId,
    changed_at: now,
    changed_on: calendarDayInZone(now, timeZone),
  });
}
