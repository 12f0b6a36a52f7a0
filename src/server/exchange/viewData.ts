import type { Instant } from '@/core/calendar';
import { inReading, workplaceOf, type ApiKey } from '@/db';
import { OPEN_TABLES } from '@/formats';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { may } from '../may';
import { isConfirmed } from '../accounts/sessions';
import { apiKeysFor } from './apiKeys';

export interface DataView {
  readonly tables: readonly { readonly name: string; readonly meaning: string }[];
  readonly timeZone: string;
  readonly mayChange: boolean;
  /** Null for who may not let programs in. */
  readonly keys: readonly ApiKey[] | null;
  readonly isConfirmed: boolean;
  readonly address: string;
  readonly now: Instant;
}

/** Lists exports, imports and API keys. */
export async function viewData(context: Context, actor: PersonActor): Promise<DataView> {
  return inReading(context.db, async (work) => ({
    tables: Object.values(OPEN_TABLES).map(({ name, meaning }) => ({ name, meaning })),
    timeZone: (await workplaceOf(work)).timeZone,
    mayChange: may(actor, null, 'changeWorkplace'),
    keys: await apiKeysFor(work, context, may(actor, null, 'changeTrust')),
    isConfirmed: isConfirmed(context, actor),
    address: `${context.origin}/api/v1`,
    now: context.now(),
  }));
}
