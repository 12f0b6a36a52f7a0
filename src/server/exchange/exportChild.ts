import { calendarDayInZone } from '@/core/calendar';
import {
  bagsOf,
  childChangesOf,
  clipsOfChild,
  correctionsOf,
  currentVersions,
  decisionsOfChild,
  goalHistoryOf,
  goalsOf,
  gradeChanges,
  handOversOf,
  inTransaction,
  liftsOf,
  linksOf,
  measurementsOf,
  messagesOf,
  notesOf,
  reportLog,
  sharingOf,
  versionOf,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { bareClip } from '../videos/bareClip';
import { requireConfirmed } from '../accounts/sessions';

const ALL = 100_000;

/** Everything that is kept of a child, as data: of links only when they were made, never what opens them. */
export type ChildExport = Awaited<ReturnType<typeof exportChild>>;

/** @throws AppError notFound, notAllowed, confirmNeeded */
export async function exportChild(context: Context, actor: PersonActor, childId: number) {
  requireConfirmed(context, actor);
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'leadChild');
    const goals = await goalsOf(work, childId);
    const withHistory = [];
    for (const goal of goals) withHistory.push({ ...goal, versions: await goalHistoryOf(work, childId, goal.id) });
    const newest = (await currentVersions(work, [childId])).get(childId)?.number ?? 0;
    const programs = [];
    for (let number = 1; number <= newest; number += 1) programs.push(await versionOf(work, childId, number));
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'child.exported')]);
    return {
      format: 'yard-steps-child',
      formatVersion: 1,
      writtenOn: calendarDayInZone(now, child.timeZone),
      child,
      changes: await childChangesOf(work, childId, ALL),
      people: (await sharingOf(work, childId)).map(({ name, role, access }) => ({ name, role, access })),
      handOvers: await handOversOf(work, childId),
      goals: withHistory,
      programs,
      gradeChanges: await gradeChanges(work, [childId]),
      reports: (await reportLog(work, childId, { most: ALL })).map(({ contentHash: _hash, ...report }) => report),
      measurements: await measurementsOf(work, childId, ALL),
      bags: (await bagsOf(work, [childId])).map(({ id: _id, childId: _child, ...bag }) => bag),
      clips: (await clipsOfChild(work, childId)).map(bareClip),
      corrections: await correctionsOf(work, childId),
      decisions: await decisionsOfChild(work, childId, ALL),
      lifts: await liftsOf(work, childId),
      notes: await notesOf(work, childId, ALL),
      messages: await messagesOf(work, [childId], ALL),
      links: (await linksOf(work, childId)).map(({ createdAt, expiresAt, revokedAt, firstOpenedAt }) => ({
        createdAt,
        expiresAt,
        revokedAt,
        firstOpenedAt,
      })),
    };
  });
}
