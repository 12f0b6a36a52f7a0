import type { Instant } from '@/core/calendar';
import type { Reach } from '@/core/students';
import { tablesOf, type Work } from '../../work';
import type { MessageKind, PartKind } from './read';

export interface NewMessage {
  readonly childId: number;
  readonly kind: MessageKind;
  readonly words: string;
  /** Null where the program writes by itself. */
  readonly createdBy: number | null;
  readonly createdAt: Instant;
  readonly sendAt: Instant | null;
  readonly newLink?: boolean;
  /** Address, where it is not the family's first contact. */
  readonly reach?: Reach;
}

export async function addMessage(
  work: Work,
  { childId, kind, words, createdBy, createdAt, sendAt, newLink = false, reach }: NewMessage,
): Promise<number> {
  return tablesOf(work).insert('messages', {
    child_id: childId,
    kind,
    words,
    status: 'waiting',
    created_by: createdBy,
    created_at: createdAt,
    send_at: sendAt,
    new_link: newLink,
    ...(reach && { reach }),
  });
}

export async function addPart(work: Work, messageId: number, kind: PartKind, decisionId: number | null, at: Instant): Promise<void> {
  await tablesOf(work).insert('message_parts', { message_id: messageId, text_kind: kind, decision_id: decisionId, created_at: at });
}

export async function deletePartsOfDecision(work: Work, messageId: number, decisionId: number): Promise<void> {
  await tablesOf(work).remove('message_parts', { message_id: messageId, decision_id: decisionId });
}

/** Changes the text of a message that still waits. */
export async function rewordMessage(work: Work, messageId: number, kind: MessageKind, words: string): Promise<void> {
  await tablesOf(work).update('messages', { kind, words }, { id: messageId, status: 'waiting' });
}

export async function withdrawMessage(work: Work, messageId: number): Promise<void> {
  await tablesOf(work).update('messages', { status: 'withdrawn' }, { id: messageId, status: 'waiting' });
}

export async function setLinkOfMessage(work: Work, messageId: number, linkId: number): Promise<void> {
  await tablesOf(work).update('messages', { link_id: linkId }, { id: messageId });
}

export async function markHandedOver(work: Work, messageId: number, at: Instant): Promise<void> {
  await tablesOf(work).update('messages', { status: 'handedOver', handed_over_at: at }, { id: messageId, status: 'waiting' });
}

export async function markGivenUp(work: Work, messageId: number): Promise<void> {
  await tablesOf(work).update('messages', { status: 'givenUp' }, { id: messageId, status: 'waiting' });
}

/** Gives up every waiting message where nothing is left that would send them; a person may try again. @returns how many */
export async function giveUpAllWaiting(work: Work): Promise<number> {
  return tablesOf(work).update('messages', { status: 'givenUp' }, { status: 'waiting' });
}

/** Lets a message that was given up wait once more. False where it is none of the child's, or was not given up. */
export async function markWaitingAgain(work: Work, childId: number, messageId: number): Promise<boolean> {
  return (await tablesOf(work).update('messages', { status: 'waiting' }, { id: messageId, child_id: childId, status: 'givenUp' })) > 0;
}
