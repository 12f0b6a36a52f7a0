import { policyDifferences, type Policy, type PolicyDifference } from '@/core/settings';
import { LANGUAGES, type Language } from '@/core/text';
import {
  advancingReasonOf,
  advancingRuleOf,
  changeAdvancingRule,
  changeKeepingRules,
  changeLanguages,
  changeHoldMinutes,
  changeSignInRules,
  inTransaction,
  workplaceOf,
  type Work,
} from '@/db';
import { readPolicyPack, writePolicyPack, type PolicyPackFault } from '@/formats';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { may, type WorkplaceAct } from '../may';
import { requireConfirmed } from '../accounts/sessions';

async function policyNow(work: Work, actor: PersonActor): Promise<Policy> {
  const { postMinutes, languages, auditDays, messageDays, clipDays, leftChildYears, idleMinutes, signInDays, factorRequired } =
    await workplaceOf(work);
  return {
    suggestions: { rule: (await advancingRuleOf(work, actor.personId)) ?? 'streak', reason: await advancingReasonOf(work, actor.personId) },
    families: { postMinutes, languages: LANGUAGES.filter((language): language is Language => languages.includes(language)) },
    keeping: { auditDays, messageDays, clipDays, leftChildYears },
    signIn: { idleMinutes, signInDays, factorRequired },
  };
}

/** The rules as they stand, as a file for another workplace. @throws AppError notAllowed */
export async function policyForFile(context: Context, actor: PersonActor): Promise<string> {
  requireMay(actor, 'changeWorkplace');
  return inTransaction(context.db, async (work) => writePolicyPack('Rules of a workplace', await policyNow(work, actor)));
}

export type PolicyPreview =
  | { readonly ok: true; readonly name: string; readonly differences: readonly PolicyDifference[]; readonly mayTake: boolean }
  | { readonly ok: false; readonly faults: readonly PolicyPackFault[] };

/** Previews the changes of a pack; nothing is written. @throws AppError notAllowed */
export async function previewPolicy(context: Context, actor: PersonActor, text: string): Promise<PolicyPreview> {
  requireMay(actor, 'changeWorkplace');
  const pack = readPolicyPack(text);
  if (!pack.ok) return { ok: false, faults: pack.issues };
  const { name, policy } = pack.value;
  const differences = await inTransaction(context.db, async (work) => policyDifferences(await policyNow(work, actor), policy));
  return { ok: true, name, differences, mayTake: actsFor(policy).every((act) => may(actor, null, act)) };
}

/** How people sign in and how long records are kept is a supervisor's to say. */
const actsFor = (policy: Policy): WorkplaceAct[] => [
  'changeWorkplace',
  ...(policy.signIn || policy.keeping ? (['changeTrust'] as const) : []),
];

/** Takes a pack's rules over, all of them or none. @throws AppError notAllowed, confirmNeeded, invalid */
export async function importPolicy(context: Context, actor: PersonActor, text: string): Promise<void> {
  const pack = readPolicyPack(text);
  if (!pack.ok) throw new AppError('invalid', { issues: pack.issues.map(({ path }) => ({ path, code: 'policyPack' })) });
  const { policy } = pack.value;
  for (const act of actsFor(policy)) requireMay(actor, act);
  requireConfirmed(context, actor);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { suggestions, families, keeping, signIn } = policy;
    const differences = policyDifferences(await policyNow(work, actor), policy);
    if (suggestions) await changeAdvancingRule(work, actor.personId, suggestions.rule, suggestions.reason);
    if (families) {
      await changeHoldMinutes(work, families.postMinutes);
      await changeLanguages(work, families.languages);
    }
    if (keeping) await changeKeepingRules(work, keeping);
    if (signIn) await changeSignInRules(work, signIn);
    await recordChanges(
      work,
      now,
      differences.map(({ path, to }) => entryOf(actor, now, [], 'settings.changed', { setting: path, to: String(to ?? '–').slice(0, 80) })),
    );
  });
}
