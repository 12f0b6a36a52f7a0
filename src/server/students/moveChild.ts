import { z } from 'zod';
import { calendarDayInZone } from '@/core/calendar';
import {
  addChildChange,
  addHandOver,
  addJobs,
  currentVersions,
  giveAccess,
  inTransaction,
  lockChild,
  openStops,
  personById,
  setLeftOn,
  sharingOf,
  removeAccess,
  type Work,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { injuryEmailJob } from '../jobs/jobs';
import { invalid, parseInput } from '../parseInput';
import { endNow } from '../programs/rest';

const leaveSchema = z.object({ childId: z.number().int().positive(), why: z.string().trim().min(3, 'empty').max(300, 'tooMuch') });

/**
 * Takes a child off the caseload: a running practice ends and the family is thanked; nothing is lost, and the child may come
 * back. @throws AppError notFound, notAllowed, invalid
 */
export async function leaveCaseload(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId, why } = parseInput(leaveSchema, raw);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'leadChild');
    if (child.leftOn !== null) return;
    const today = calendarDayInZone(now, child.timeZone);
    const program = (await currentVersions(work, [childId])).get(childId);
    if (program && !program.isEnded) {
      await endNow(work, context, actor, { child, program, today, expectedVersion: program.number, decisionId: null });
    }
    await setLeftOn(work, childId, today);
    await addChildChange(work, {
      childId,
      changes: [{ fact: 'caseload', before: '', after: why }],
      changedBy: actor.personId,
      changedAt: now,
    });
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'child.left')]);
  });
}

/** Puts a child on the caseload again; the next program is built anew. @throws AppError notFound, notAllowed */
export async function comeBack(context: Context, actor: PersonActor, childId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'leadChild');
    if (child.leftOn === null) return;
    await setLeftOn(work, childId, null);
    const changes = [{ fact: 'caseload', before: child.leftOn, after: '' }] as const;
    await addChildChange(work, { childId, changes, changedBy: actor.personId, changedAt: now });
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'child.cameBack')]);
  });
}

const handOverSchema = z.object({
  childIds: z.array(z.number().int().positive()).min(1, 'nobody').max(200),
  to: z.number().int().positive(),
  note: z.string().trim().max(2000, 'tooMuch'),
  /** Keeps the one who handed over as one who shares. */
  staysSharing: z.boolean(),
});

/**
 * Another therapist leads these children from now on, all or none. Programs, links, reports and history go on as they are.
 * @throws AppError notFound, notAllowed, invalid
 */
export async function handOver(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childIds, to, note, staysSharing } = parseInput(handOverSchema, raw);
  await inTransaction(context.db, async (work) => {
    const receiver = await colleague(work, to);
    if (receiver.role === 'assistant') throw invalid({ path: 'to', code: 'assistantCantLead' });
    for (const childId of [...childIds].sort((a, b) => a - b)) await handOverOne(work, context, actor, childId, { to, note, staysSharing });
    const now = context.now();
    await recordChanges(work, now, [entryOf(actor, now, childIds, 'child.handedOver', { to: receiver.name })]);
  });
}

export interface HandingOver {
  readonly to: number;
  readonly note: string;
  readonly staysSharing: boolean;
}

async function handOverOne(
  work: Work,
  context: Context,
  actor: PersonActor,
  childId: number,
  { to, note, staysSharing }: HandingOver,
): Promise<void> {
  await requireLeadOrSupervisor(work, actor, childId);
  await lockChild(work, childId);
  const lead = (await sharingOf(work, childId)).find(({ access }) => access === 'lead');
  if (lead?.personId === to) throw invalid({ path: 'to', code: 'leadsAlready' });
  await removeAccess(work, childId, to);
  await giveAccess(work, childId, to, 'lead');
  const fromPerson = lead?.personId ?? actor.personId;
  if (lead) {
    await removeAccess(work, childId, lead.personId);
    if (staysSharing) await giveAccess(work, childId, lead.personId, 'shared');
  }
  const now = context.now();
  await addHandOver(work, { childId, fromPerson, toPerson: to, note, handedBy: actor.personId, handedAt: now });
  // An open injury goes along, and the new lead hears of it now.
  if ((await openStops(work, [childId])).length > 0)
    await addJobs(work, [injuryEmailJob(childId, `${calendarDayInZone(now, 'UTC')} ${to}`, now)]);
}

/** Requires the lead therapist of the student, or a supervisor. */
async function requireLeadOrSupervisor(work: Work, actor: PersonActor, childId: number): Promise<void> {
  if (actor.role === 'supervisor' && (await sharingOf(work, childId)).length > 0) return;
  await requireChild(work, actor, childId, 'leadChild');
}

const shareSchema = z.object({
  childId: z.number().int().positive(),
  personId: z.number().int().positive(),
  access: z.enum(['shared', 'assist', 'none']),
});

/** Shares a child with a colleague, or ends that. @throws AppError notFound, notAllowed, invalid */
export async function shareChild(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId, personId, access } = parseInput(shareSchema, raw);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    await requireChild(work, actor, childId, 'leadChild');
    await lockChild(work, childId);
    const { name, role } = await colleague(work, personId);
    const present = (await sharingOf(work, childId)).find((each) => each.personId === personId);
    if (present?.access === 'lead') throw invalid({ path: 'personId', code: 'leadsAlready' });
    if (access === 'shared' && role === 'assistant') throw invalid({ path: 'access', code: 'assistantCantShare' });
    await removeAccess(work, childId, personId);
    if (access !== 'none') await giveAccess(work, childId, personId, access);
    await recordChanges(work, now, [entryOf(actor, now, [childId], access === 'none' ? 'child.unshared' : 'child.shared', { who: name })]);
  });
}

async function colleague(work: Work, personId: number) {
  const person = await personById(work, personId);
  if (!person || person.closedAt !== null) throw invalid({ path: 'to', code: 'nobody' });
  return person;
}
