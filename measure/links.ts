import { instantAfterDays } from '@/core/calendar';
import { addLink, inTransaction } from '@/db';
import type { Context } from '@/server/context';
import type { Place } from './faults';
import { rowsOf } from '../scripts/sql';
import { familyAddress, newLinkParts } from '@/server/messages/familyAddress';

/** Makes further links of a child: one alone accepts no more in a day than a family sends. */
export async function manyLinks(context: Context, childId: number, count: number): Promise<string[]> {
  const createdAt = context.now();
  const made = Array.from({ length: count }, () => newLinkParts(context.linkSecret));
  await inTransaction(context.db, async (work) => {
    for (const { tokenHash, tokenSalt } of made)
      await addLink(work, { childId, tokenHash, tokenSalt, createdAt, expiresAt: instantAfterDays(createdAt, 1) });
  });
  return made.map(({ token }) => familyAddress(context.origin, token));
}

/** The first task of each child's program, with so many links by which it can be reported. */
export async function placesOf(context: Context, linksAChild: number): Promise<Place[]> {
  const tasks = await rowsOf<{ childId: number; id: number }>(
    context.db,
    `SELECT p.child_id AS childId, MIN(t.id) AS id FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id
     JOIN programs p ON p.id = v.program_id WHERE v.number = p.current_version GROUP BY p.child_id`,
  );
  const places: Place[] = [];
  for (const { childId, id } of tasks)
    for (const link of await manyLinks(context, childId, linksAChild)) places.push({ link, versionTaskId: id });
  return places;
}
