import type { TaskContent } from '../tasks';
import { judgeSafety, thingsAt, type ChildForSafety, type SafetyFinding } from './judgeSafety';
import { SUPERVISION, type Supervision } from './rules';

export interface Cautions {
  readonly findings: readonly SafetyFinding[];
  readonly supervision: Supervision;
}

/**
 * Lists the cautions for a family at one step: those for any child, and those for this one. Allergens are named only where they are
 * this child's. Each rule is named once, but for allergens and textures, which name their thing.
 */
export function cautionsFor(task: TaskContent, step: number, child: ChildForSafety | null): Cautions {
  const things = thingsAt(task, step, step);
  const general = judgeSafety(task, things, null);
  const own = child ? judgeSafety(task, things, child) : null;
  const said = [...(own?.findings ?? []), ...general.findings.filter(({ rule }) => rule !== 'allergen' && rule !== 'latex')].filter(
    ({ rule }) => rule !== 'age',
  );
  const keyOf = ({ rule, key }: SafetyFinding) => (rule === 'allergen' || rule === 'latex' || rule === 'texture' ? key : rule);
  const findings = said.filter((finding, index) => said.findIndex((other) => keyOf(other) === keyOf(finding)) === index);
  const supervision = own && rank(own.supervision) > rank(general.supervision) ? own.supervision : general.supervision;
  return { findings, supervision };
}

const rank = (supervision: Supervision) => SUPERVISION.indexOf(supervision);
