import { z } from 'zod';
import { RULE_NAMES } from '@/core/stepRules';
import { changeAdvancingRule, inTransaction } from '@/db';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { parseInput } from '../parseInput';

const ruleSchema = z.object({ rule: z.enum(RULE_NAMES), reason: z.string().trim().max(300) });

/**
 * Sets the rule by which steps are suggested to the actor, for the students whom they lead and for whom nothing else is chosen.
 * @throws AppError invalid
 */
export async function setAdvancingRule(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { rule, reason } = parseInput(ruleSchema, raw);
  await inTransaction(context.db, async (work) => {
    await changeAdvancingRule(work, actor.personId, rule, reason);
    const entry = entryOf(actor, context.now(), [], 'settings.changed', { setting: 'advancingRule', to: rule });
    await recordChanges(work, context.now(), [entry]);
  });
}
