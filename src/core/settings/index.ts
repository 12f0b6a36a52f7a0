import { z } from 'zod';
import { RULE_NAMES } from '../stepRules';
import { LANGUAGES } from '../text';

/** From where to where a workplace may set its own rules; both ends are in. Our own choices, but where a comment names another reason. */
export const RULE_LIMITS = {
  /** Days: a month at least, so that what happened can be found out; ten years at most. */
  auditDays: { least: 30, most: 3653 },
  messageDays: { least: 30, most: 3653 },
  clipDays: { least: 1, most: 365 },
  leftChildYears: { least: 1, most: 30 },
  idleMinutes: { least: 5, most: 1440 },
  signInDays: { least: 1, most: 30 },
  postMinutes: { least: 0, most: 60 },
} as const;
export type LimitedRule = keyof typeof RULE_LIMITS;

const within = (rule: LimitedRule) => z.number().int().min(RULE_LIMITS[rule].least).max(RULE_LIMITS[rule].most);

/** Rules of a workplace; a part that is left out of an imported pack stays as it is. */
export const policySchema = z.strictObject({
  suggestions: z
    .strictObject({
      rule: z.enum(RULE_NAMES).describe('by which rule steps are suggested'),
      reason: z.string().trim().max(300).describe('why this rule was taken'),
    })
    .optional()
    .describe('of the person who imports the pack only'),
  families: z
    .strictObject({
      postMinutes: within('postMinutes').describe('minutes that a message waits for what else is decided'),
      languages: z.array(z.enum(LANGUAGES)).min(1).describe('languages that families may be written to in'),
    })
    .optional(),
  keeping: z
    .strictObject({
      auditDays: within('auditDays').describe('days that the list of looks and changes is kept'),
      messageDays: within('messageDays').describe('days that messages are kept'),
      clipDays: within('clipDays').describe('days that clips and pictures from families are kept'),
      leftChildYears: within('leftChildYears')
        .nullable()
        .describe('years after which a student who left is deleted, null if a person must delete them'),
    })
    .optional(),
  signIn: z
    .strictObject({
      idleMinutes: within('idleMinutes').describe('minutes without a request after which a session ends'),
      signInDays: within('signInDays').describe('days after which every session ends'),
      factorRequired: z.boolean().describe('whether two-step verification is required for everyone'),
    })
    .optional(),
});
export type Policy = Readonly<z.output<typeof policySchema>>;

export interface PolicyDifference {
  /** Such as `keeping.auditDays`. */
  readonly path: string;
  readonly from: PolicyValue;
  readonly to: PolicyValue;
}
type PolicyValue = string | number | boolean | null | readonly string[];

/** Lists the changes that a pack makes to a workplace's rules, in the pack's order; unchanged rules are left out. */
export function policyDifferences(now: Policy, requested: Policy): PolicyDifference[] {
  return Object.entries(requested).flatMap(([part, rules]) =>
    Object.entries(rules ?? {}).flatMap(([rule, to]): PolicyDifference[] => {
      const from = ((now[part as keyof Policy] ?? {}) as Record<string, PolicyValue>)[rule] ?? null;
      return JSON.stringify(from) === JSON.stringify(to) ? [] : [{ path: `${part}.${rule}`, from, to: to as PolicyValue }];
    }),
  );
}
