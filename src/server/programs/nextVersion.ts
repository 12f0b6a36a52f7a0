import { calendarDayInZone } from '@/core/calendar';
import type { Child } from '@/core/students';
import type { TaskToFreeze } from '@/core/programs';
import { addGradeChange, addVersion, lockProgram, type NewGradeChange, type NewVersion, type PartKind, type Work } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { enqueueMessage } from '../messages/enqueueMessage';

export interface VersionOptions {
  readonly child: Child;
  /** The version that the sender looked at. Another one in force means that somebody else was first. */
  readonly expectedVersion: number;
  readonly startsOn: NewVersion['startsOn'];
  readonly endsOn: NewVersion['endsOn'];
  /** A rest or an end that a person decided goes on with each further version, till a program is sent anew. */
  readonly resumesOn: NewVersion['resumesOn'];
  readonly isEnded: boolean;
  readonly note: string;
  readonly reason: NewVersion['reason'];
  readonly tasksFor: (number: number) => readonly TaskToFreeze[];
  /** Message to the family; null where none is sent. */
  readonly text: PartKind | null;
  /** The decision that made it; null where a program was sent. */
  readonly decisionId: number | null;
  /** Day from which it holds, where nothing new is asked of the family and no message was sent; today where left out. */
  readonly sentOn?: NewVersion['sentOn'];
}

/**
 * Writes the next frozen version of a child's program and puts its message in the post, within the caller's transaction.
 * @throws AppError staleVersion where the version in force is not the one that was looked at.
 */
export async function writeNextVersion(work: Work, context: Context, actor: PersonActor, options: VersionOptions): Promise<number> {
  const now = context.now();
  const { child } = options;
  const { programId, currentVersion } = await lockProgram(work, child.id, now);
  if (currentVersion !== options.expectedVersion)
    throw new AppError('staleVersion', { expected: options.expectedVersion, current: currentVersion });
  const number = currentVersion + 1;
  await addVersion(work, {
    programId,
    number,
    startsOn: options.startsOn,
    endsOn: options.endsOn,
    resumesOn: options.resumesOn,
    isEnded: options.isEnded,
    decisionId: options.decisionId,
    note: options.note,
    reason: options.reason,
    sentBy: actor.personId,
    sentAt: now,
    sentOn: options.sentOn ?? calendarDayInZone(now, child.timeZone),
    tasks: options.tasksFor(number),
  });
  if (options.text) await enqueueMessage(work, context, actor, { child, kind: options.text, decisionId: options.decisionId });
  return number;
}

type StepChange = Omit<NewGradeChange, 'childId' | 'changedBy' | 'changedAt' | 'changedOn'>;

/** Writes who changed which step, when and why. */
export async function recordStepChange(work: Work, context: Context, actor: PersonActor, child: Child, change: StepChange): Promise<void> {
  const now = context.now();
  await addGradeChange(work, {
    ...change,
    childId: child.id,
    changedBy: actor.personId,
    changedAt: now,
    changedOn: calendarDayInZone(now, child.timeZone),
  });
}
