import { matchHome } from '../materials';
import { judgeSafety, thingsAt, type SafetyFinding } from '../safety';
import type { Material, TaskContent } from '../tasks';
import type { Skill } from '../vocabulary';
import { contentFor } from './contentFor';
import type { ChildFacts } from './checkProgram';

/** How a task suits a child, before it is placed: what speaks for it, what stands against it. */
export interface TaskFit {
  readonly goalSkill: Skill | null;
  readonly blocks: readonly SafetyFinding[];
  readonly asks: readonly SafetyFinding[];
  readonly missing: readonly Material[];
  /** Too young or too old for it by its own ages. */
  readonly isOfOtherAge: boolean;
  readonly score: number;
}

const GOAL_POINTS = 4;
const OTHER_SKILL_POINTS = 2;
const MISSING_POINTS = 1;
const ASKS_POINTS = 2;
const BLOCK_POINTS = 100;
const OTHER_AGE_POINTS = 3;

/**
 * How a task suits a child round its start step: a goal's skill speaks for it, missing materials, another age and questions
 * of safety against it. Sorting by the score puts the fitting ones first; the reasons are what a therapist reads. Our own definition.
 */
export function fitFor(content: TaskContent, child: ChildFacts, goalSkills: readonly Skill[]): TaskFit {
  const settled = contentFor(content, {}, child.taskSettings);
  const { startStep, steps } = settled.ladder;
  const from = Math.max(1, startStep - 1);
  const to = Math.min(steps.length, startStep + 1);
  const match = matchHome(settled, child.materialsAtHome, from, to);
  const { findings } = judgeSafety(settled, thingsAt(match.task, from, to), child);
  const blocks = findings.filter((finding) => finding.severity === 'block');
  const asks = findings.filter((finding) => finding.severity === 'acknowledge');
  const missing = match.standings.flatMap((standing) => (standing.kind === 'missing' ? [standing.material] : []));
  const goalSkill =
    goalSkills.find((skill) => skill === content.skill) ?? goalSkills.find((skill) => content.otherSkills.includes(skill)) ?? null;
  const goalPoints = goalSkill === null ? 0 : goalSkill === content.skill ? GOAL_POINTS : OTHER_SKILL_POINTS;
  const isOfOtherAge = child.ageYears < content.ages.fromYears || child.ageYears > content.ages.toYears;
  const against = MISSING_POINTS * missing.length + ASKS_POINTS * asks.length + BLOCK_POINTS * blocks.length;
  const score = goalPoints - against - (isOfOtherAge ? OTHER_AGE_POINTS : 0);
  return { goalSkill, blocks, asks, missing, isOfOtherAge, score };
}
