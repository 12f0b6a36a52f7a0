import { z } from 'zod';
import { MILLISECONDS_PER_DAY, calendarDayInZone, instantAfterDays } from '@/core/calendar';
import { dangerIn } from '@/core/safety';
import {
  addIncomingText,
  addTeacherLink,
  childById,
  countTryOf,
  inTransaction,
  revokeTeacherLinksOf,
  setOutcome,
  teacherLinkByHash,
  teacherLinksOf,
  workplaceOf,
  type TeacherLink,
  type Work,
} from '@/db';
import { randomUUID } from 'node:crypto';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { newLinkParts, tokenOf } from '../messages/familyAddress';
import { parseInput } from '../parseInput';
import { paperOfChildFor, type Compose, type MadePaper } from '../programs/makePaper';
import { closeForDanger } from '../reports/replies/storeReply';
import { linkHash } from '../reports/familyLink';

/** A school year has no more days that matter. */
const TEACHER_DAYS = 300;
const MOST_QUESTIONS_A_DAY = 10;

export function teacherAddress(origin: string, token: string): string {
  return `${origin}/t/${token}`;
}

/** The addresses of a child's open teacher's links, latest first. */
export async function teacherAddressesOf(work: Work, context: Context, childId: number): Promise<string[]> {
  const links = await teacherLinksOf(work, childId, context.now());
  return links.map(({ tokenSalt }) => teacherAddress(context.origin, tokenOf(context.linkSecret, tokenSalt)));
}

/** Makes a link for a child's teacher: it prints and passes a question on, and opens nothing else. @throws AppError notFound, notAllowed */
export async function makeTeacherLink(context: Context, actor: PersonActor, childId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    await requireChild(work, actor, childId, 'changeProgram');
    const now = context.now();
    const { tokenHash, tokenSalt } = newLinkParts(context.linkSecret);
    await addTeacherLink(work, {
      childId,
      tokenHash,
      tokenSalt,
      createdBy: actor.personId,
      createdAt: now,
      expiresAt: instantAfterDays(now, TEACHER_DAYS),
    });
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'teacher.linked')]);
  });
}

/** Turns every teacher's link of a child off. @throws AppError notFound, notAllowed */
export async function revokeTeacherLinks(context: Context, actor: PersonActor, childId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    await requireChild(work, actor, childId, 'changeProgram');
    if (!(await revokeTeacherLinksOf(work, childId, context.now()))) throw new AppError('notFound');
    await recordChanges(work, context.now(), [entryOf(actor, context.now(), [childId], 'teacher.unlinked')]);
  });
}

export interface TeacherView {
  readonly calledName: string;
  readonly emergencyNumber: string;
}

/** Loads a teacher's page: whose it is, and nothing of the practice at home. @throws AppError link… */
export async function viewTeacher(context: Context, token: string): Promise<TeacherView> {
  return inTransaction(context.db, async (work) => {
    const { childId } = await openTeacherLink(work, context, token);
    const child = await childById(work, childId);
    if (!child) throw new AppError('linkUnknown');
    return { calledName: child.calledName, emergencyNumber: (await workplaceOf(work)).emergencyNumber };
  });
}

const askSchema = z.object({
  question: z.string().trim().min(1, 'empty').max(600, 'tooLong'),
  who: z.string().trim().max(40, 'tooLong').default(''),
});

/** Passes a teacher's words on to the therapist, as a card; what hurts closes tasks like any other word of it. @throws AppError link…, tooManyReports, invalid */
export async function askAsTeacher(context: Context, token: string, raw: unknown): Promise<{ readonly isDanger: boolean }> {
  return inTransaction(context.db, async (work) => {
    const link = await openTeacherLink(work, context, token);
    const { question, who } = parseInput(askSchema, raw);
    const now = context.now();
    const { tries } = await countTryOf(work, `teacher:${link.id}`, now, MILLISECONDS_PER_DAY);
    const isDanger = dangerIn(question).length > 0;
    // Injuries are accepted beyond the limit.
    if (tries > MOST_QUESTIONS_A_DAY && !isDanger) throw new AppError('tooManyReports');
    const saidBy = who || 'teacher';
    const textId = await addIncomingText(work, {
      serviceKey: `teacher-${randomUUID()}`,
      childId: link.childId,
      fromAddress: 'teacher’s link',
      text: question,
      receivedAt: now,
      issues: [],
      saidBy,
    });
    const child = (await childById(work, link.childId))!;
    if (isDanger && textId !== null) {
      const today = calendarDayInZone(now, child.timeZone);
      await closeForDanger(work, context, {
        child,
        today,
        text: question,
        textId,
        serviceKey: `teacher-${textId}`,
        saidBy,
        isFromSchool: true,
      });
      await setOutcome(work, textId, 'danger', null);
    }
    await recordChanges(work, now, [
      { at: now, personId: null, linkId: null, childIds: [link.childId], action: 'teacher.asked', numbers: {} },
    ]);
    return { isDanger };
  });
}

/** The program as it goes home, for the classroom. @throws AppError link…, noPaper, invalid */
export async function paperForTeacher(context: Context, token: string, raw: unknown, compose: Compose): Promise<MadePaper> {
  const link = await inTransaction(context.db, (work) => openTeacherLink(work, context, token));
  return paperOfChildFor(context, link.childId, { ...(raw as object), part: 'program' }, compose);
}

async function openTeacherLink(work: Work, context: Context, token: string): Promise<TeacherLink> {
  const link = await teacherLinkByHash(work, linkHash(token));
  if (!link) throw new AppError('linkUnknown');
  if (link.revokedAt !== null) throw new AppError('linkRevoked');
  if (link.expiresAt <= context.now()) throw new AppError('linkExpired');
  return link;
}
