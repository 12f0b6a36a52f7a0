import { calendarDayInZone } from '@/core/calendar';
import type { Child } from '@/core/child';
import type { TaskToFreeze } from '@/core/program';
import { addGradeChange, addVersion, lockProgram, type NewGradeChange, type MessageKind, type NewVersion, type Work } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { putInPost } from '../messages/putInPost';
import { textWords, type TextKind } from '../messages/textWords';

export interface VersionWish {
  readonly child: Child;
  /** The version that the sender looked at. Another one in force means that somebody else was first. */
  readonly expectedVersion: number;
  readonly startsOn: NewVersion['startsOn'];
  readonly endsOn: NewVersion['endsOn'];
  readonly note: string;
  readonly reason: NewVersion['reason'];
  readonly tasksFor: (number: number) => readonly TaskToFreeze[];
  /** What the text says of it. */
  readonly text: TextKind;
}

/**
 * Writes the next frozen version of a child's program and puts its message in the post, within the caller's transaction.
 * @throws AppError staleVersion where the version in force is not the one that was looked at.
 */
export async function writeNextVersion(work: Work, context: Context, actor: PersonActor, wish: VersionWish): Promise<number> {
  const now = context.now();
  const { child } = wish;
  const { programId, currentVersion } = await lockProgram(work, child.id, now);
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
    sentOn: calendarDayInZone(now, child.timeZone),
    tasks: wish.tasksFor(number),
  });
  const words = await textWords(child.familyLanguage, wish.text);
  await putInPost(work, { childId: child.id, kind: MESSAGE_KIND[wish.text], words, createdBy: actor.personId, createdAt: now });
  return number;
}

/** Under which kind a text stands in Post. */
const MESSAGE_KIND = {
  program: 'program',
  newStep: 'newStep',
  takenBack: 'newStep',
  word: 'note',
} as const satisfies Record<TextKind, MessageKind>;

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
