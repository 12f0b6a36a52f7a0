import { allChildren, inReading, peopleHere, type Colleague, type LedChild } from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { may } from '../may';

export interface TransferView {
  /** Present lead of these students. */
  readonly from: Colleague;
  readonly children: readonly LedChild[];
  readonly receivers: readonly Colleague[];
  readonly isSupervisor: boolean;
}

/**
 * Children that can be handed over: the actor's own, or, for a supervisor, those of anybody.
 * @param from whose; null for the actor's own
 */
export async function viewTransfer(context: Context, actor: PersonActor, from: number | null): Promise<TransferView> {
  requireMay(actor, 'addChildren');
  const isSupervisor = may(actor, null, 'seeAllCaseloads');
  const whose = isSupervisor && from !== null ? from : actor.personId;
  return inReading(context.db, async (work) => {
    const people = await peopleHere(work);
    const lead = people.find(({ id }) => id === whose) ?? people.find(({ id }) => id === actor.personId)!;
    const children = (await allChildren(work)).filter(({ leadId }) => leadId === lead.id);
    return { from: lead, children, receivers: people.filter(({ id, role }) => id !== lead.id && role !== 'assistant'), isSupervisor };
  });
}
