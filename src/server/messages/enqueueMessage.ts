import { MILLISECONDS_PER_MINUTE, instant } from '@/core/calendar';
import type { Child } from '@/core/students';
import {
  addJobs,
  addMessage,
  addPart,
  currentVersions,
  deletePartsOfDecision,
  heldMessageOf,
  messageOfDecision,
  partsOf,
  rewordMessage,
  withdrawMessage,
  workplaceOf,
  type MessageKind,
  type PartKind,
  type Work,
} from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { quietFor } from './reminders';
import { deliverJob } from '../jobs/jobs';
import { exampleOf, listWords } from '../reports/replies/answerWords';
import { askedByText } from '../reports/replies/replyTasks';
import { replyWords, textWords, type TextKind } from './textWords';

export interface MessageToEnqueue {
  readonly child: Child;
  readonly kind: PartKind;
  /** The decision that it tells of; null for a program that was sent. */
  readonly decisionId: number | null;
}

/**
 * Puts what a family is told in the post, in the transaction of what it tells of. One message a child: it waits some minutes
 * (a setting), and what else is decided of the child meanwhile goes out with it.
 */
export async function enqueueMessage(
  work: Work,
  context: Context,
  actor: PersonActor,
  { child, kind, decisionId }: MessageToEnqueue,
): Promise<void> {
  const now = context.now();
  const held = await heldMessageOf(work, child.id, now);
  if (held) {
    await addPart(work, held.id, kind, decisionId, now);
    return reword(work, held.id, child);
  }
  const { postMinutes } = await workplaceOf(work);
  const sendAt = quietFor(child, instant(now + postMinutes * MILLISECONDS_PER_MINUTE));
  const words = await wordsFor(work, child, kind);
  const messageId = await addMessage(work, {
    childId: child.id,
    kind: MESSAGE_KIND[kind],
    words,
    createdBy: actor.personId,
    createdAt: now,
    sendAt: sendAt > now ? sendAt : null,
  });
  await addPart(work, messageId, kind, decisionId, now);
  await addJobs(work, [deliverJob(messageId, now, sendAt)]);
}

/** A private link of the family, at once: nobody takes it back. */
export async function postLinkNow(
  work: Work,
  context: Context,
  actor: PersonActor,
  child: Child,
  newLink: boolean,
  kind: 'program' | 'home' = 'program',
): Promise<void> {
  const now = context.now();
  const words = await wordsFor(work, child, kind);
  const goesAt = quietFor(child, now);
  const message = {
    childId: child.id,
    kind,
    words,
    createdBy: actor.personId,
    createdAt: now,
    sendAt: goesAt > now ? goesAt : null,
    newLink,
  };
  await addJobs(work, [deliverJob(await addMessage(work, message), now, goesAt)]);
}

/**
 * Takes what tells of a decision out of the post, where it still waits there. A message with nothing else in it goes to nobody.
 * @returns false where it has gone out, or nothing tells of it
 */
export async function cancelQueuedMessage(work: Work, context: Context, child: Child, decisionId: number): Promise<boolean> {
  const message = await messageOfDecision(work, decisionId);
  if (!message || message.status !== 'waiting' || message.sendAt === null || message.sendAt <= context.now()) return false;
  await deletePartsOfDecision(work, message.id, decisionId);
  await reword(work, message.id, child);
  return true;
}

/** A message says what its parts say, or that there are several things. */
async function reword(work: Work, messageId: number, child: Child): Promise<void> {
  const [first, ...others] = new Set(await partsOf(work, messageId));
  if (!first) return withdrawMessage(work, messageId);
  const kind: TextKind = others.length ? 'several' : first;
  await rewordMessage(work, messageId, MESSAGE_KIND[kind], await wordsFor(work, child, kind));
}

/** Message kinds about practice: a family that reports by text gets the reply letters with them. */
const WITH_LETTERS: readonly TextKind[] = ['program', 'newStep', 'takenBack', 'several', 'goesOn'];

async function wordsFor(work: Work, child: Child, kind: TextKind): Promise<string> {
  const words = await textWords(child.familyLanguage, kind);
  if (child.reportWay !== 'text' || !WITH_LETTERS.includes(kind)) return words;
  const version = (await currentVersions(work, [child.id])).get(child.id);
  if (!version) return words;
  const tasks = await askedByText(work, child.id, version, child.familyLanguage);
  const say = await replyWords(child.familyLanguage);
  return `${words} ${say('letters', { list: listWords(tasks, say), example: exampleOf(child.familyLanguage, tasks) })}`;
}

/** Under which kind a text stands in Post. */
const MESSAGE_KIND = {
  program: 'program',
  home: 'home',
  goesOn: 'goesOn',
  newStep: 'newStep',
  takenBack: 'takenBack',
  paused: 'paused',
  ended: 'ended',
  word: 'note',
  several: 'several',
} as const satisfies Record<TextKind, MessageKind>;
