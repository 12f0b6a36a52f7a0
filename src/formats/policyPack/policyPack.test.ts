import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { RULE_NAMES } from '@/core/stepRules';
import { policyDifferences, policySchema, RULE_LIMITS, type LimitedRule, type Policy } from '@/core/settings';
import { LANGUAGES } from '@/core/text';
import { policyPackJsonSchema, readPolicyPack, writePolicyPack } from '.';

const within = (rule: LimitedRule) => fc.integer({ min: RULE_LIMITS[rule].least, max: RULE_LIMITS[rule].most });
const policies = fc.record(
  {
    suggestions: fc.record({ rule: fc.constantFrom(...RULE_NAMES), reason: fc.string({ maxLength: 60 }).map((text) => text.trim()) }),
    families: fc.record({ postMinutes: within('postMinutes'), languages: fc.subarray([...LANGUAGES], { minLength: 1 }) }),
    keeping: fc.record({
      auditDays: within('auditDays'),
      messageDays: within('messageDays'),
      clipDays: within('clipDays'),
      leftChildYears: fc.option(within('leftChildYears')),
    }),
    signIn: fc.record({ idleMinutes: within('idleMinutes'), signInDays: within('signInDays'), factorRequired: fc.boolean() }),
  },
  { requiredKeys: [] },
) as fc.Arbitrary<Policy>;
const faults = (text: string) => {
  const read = readPolicyPack(text);
  return read.ok ? [] : read.issues.map(({ path }) => path);
};

describe('a policy pack', () => {
  it('out, in and out again is the same text', () => {
    fc.assert(
      fc.property(policies, (policy) => {
        const text = writePolicyPack('Rules', policy);
        const read = readPolicyPack(text);
        expect(read.ok && writePolicyPack(read.value.name, read.value.policy)).toBe(text);
      }),
      { seed: 19, numRuns: 200 },
    );
  });

  it('says what would change, and that nothing would by the same rules', () => {
    fc.assert(
      fc.property(policies, policies, (now, requested) => {
        expect(policyDifferences(now, now)).toEqual([]);
        const then = { ...now, ...requested };
        const told = policyDifferences(now, requested).map(({ path }) => path);
        // Calculated another way: each rule of both, one by one.
        const rules = Object.entries(then).flatMap(([part, values]) =>
          Object.entries(values as object).map(([rule, value]) => ({
            path: `${part}.${rule}`,
            value,
            was: (now as Record<string, Record<string, unknown>>)[part]?.[rule] ?? null,
          })),
        );
        expect(told).toEqual(
          rules
            .filter(({ path, value, was }) => path.split('.')[0]! in requested && JSON.stringify(value) !== JSON.stringify(was))
            .map(({ path }) => path)
            .sort((a, b) => told.indexOf(a) - told.indexOf(b)),
        );
      }),
      { seed: 7, numRuns: 200 },
    );
  });

  it.each([
    [{ keeping: { auditDays: 29, messageDays: 30, clipDays: 1, leftChildYears: null } }, 'policy.keeping.auditDays'],
    [{ keeping: { auditDays: 30, messageDays: 3654, clipDays: 1, leftChildYears: null } }, 'policy.keeping.messageDays'],
    [{ keeping: { auditDays: 30, messageDays: 30, clipDays: 366, leftChildYears: 31 } }, 'policy.keeping.leftChildYears'],
    [{ signIn: { idleMinutes: 4, signInDays: 1, factorRequired: false } }, 'policy.signIn.idleMinutes'],
    [{ families: { postMinutes: 61, languages: [] } }, 'policy.families.languages'],
    [{ families: { postMinutes: 1, languages: ['xx'] } }, 'policy.families.languages.0'],
    [{ suggestions: { rule: 'magic', reason: '' } }, 'policy.suggestions.rule'],
    [{ colour: 'red' }, 'policy'],
  ])('%j is refused at %s', (policy, path) => {
    expect(faults(JSON.stringify({ format: 'yard-steps-policy-pack', version: 1, name: 'x', policy }))).toContain(path);
  });

  it('of another kind, or no JSON, is refused as a whole', () => {
    expect(faults('no')).toEqual(['']);
    expect(faults('{"format":"yard-steps-task-pack","version":1,"name":"x","policy":{}}')).toEqual(['format']);
    expect(policySchema.safeParse({}).success).toBe(true);
  });

  it('has a published schema, made from the one that reads', () => {
    expect(JSON.parse(readFileSync('docs/policy-pack.schema.json', 'utf8'))).toEqual(policyPackJsonSchema());
  });
});
