import { z } from 'zod';
import { policySchema, type Policy } from '@/core/settings';
import { bad, good, type Result } from '@/core/result';

const policyPackSchema = z.strictObject({
  format: z.literal('yard-steps-policy-pack'),
  version: z.literal(1),
  name: z.string().trim().min(1).max(120).describe('what the pack is called, for people'),
  policy: policySchema,
});
export type PolicyPack = Readonly<Pick<z.output<typeof policyPackSchema>, 'name' | 'policy'>>;

export interface PolicyPackFault {
  /** Such as `policy.keeping.auditDays`; empty for the file as a whole. */
  readonly path: string;
  readonly said: string;
}

/** The rules of a workplace as a file, for another one. */
export function writePolicyPack(name: string, policy: Policy): string {
  return `${JSON.stringify({ format: 'yard-steps-policy-pack', version: 1, name, policy }, null, 2)}\n`;
}

/** Reads a pack, whole or not at all: every fault with its place. */
export function readPolicyPack(text: string): Result<PolicyPack, PolicyPackFault> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return bad({ path: '', said: error instanceof Error ? error.message : String(error) });
  }
  const read = policyPackSchema.safeParse(raw);
  if (read.success) return good({ name: read.data.name, policy: read.data.policy });
  return bad(...read.error.issues.map((issue) => ({ path: issue.path.join('.'), said: issue.message })));
}

/**
 * The published schema, made from the one that reads: docs/policy-pack.schema.json.
 * @internal a test compares the file with it
 */
export function policyPackJsonSchema(): object {
  return {
    title: 'Yard Steps policy pack, version 1',
    description:
      'The rules by which a workplace suggests steps, writes to families, keeps records and signs people in. A part that is left out stays as it is.',
    ...z.toJSONSchema(policyPackSchema, { io: 'input' }),
  };
}
