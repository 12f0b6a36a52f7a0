export { smallPartVerdict } from './smallParts';
export type { SmallPartVerdict } from './smallParts';
export { SAFETY_RULES, SUPERVISION } from './rules';
export type { SafetyRuleId, SafetySeverity, Supervision } from './rules';
export { hasTrait, judgeSafety, smallnessOf, thingsAt } from './judgeSafety';
export type { ChildForSafety, SafetyFinding, SafetyVerdict, ThingInUse } from './judgeSafety';
export { cautionsFor } from './cautionsFor';
export type { Cautions } from './cautionsFor';
