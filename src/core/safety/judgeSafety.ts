import { requireAtLeast } from '../whole';
import { isNeededAt, type Shape, type TaskContent } from '../tasks';
import type { Allergen, Hazard, Texture } from '../vocabulary';
import type { LocalText } from '../text';
import { PLAIN_HAZARDS, SAFETY_RULES, SUPERVISION, type SafetyRuleId, type SafetySeverity, type Supervision } from './rules';
import { smallPartVerdict } from './smallParts';

/** What of a child decides over safety; `null` judges for any child of the task's ages. */
export interface ChildForSafety {
  readonly ageYears: number;
  readonly mouthsThings: boolean;
  readonly scissorsAllowed: boolean;
  readonly allergies: readonly string[];
  readonly texturesAvoided: readonly string[];
}

/** A thing that will be on the table: a material of the task or what replaces it at home. */
export interface ThingInUse {
  readonly id: string;
  readonly name: LocalText;
  readonly shape?: Shape | undefined;
  readonly sizeMm?: number | undefined;
  readonly hazards: readonly Hazard[];
  readonly allergens: readonly Allergen[];
  readonly textures: readonly Texture[];
}

export interface SafetyFinding {
  readonly rule: SafetyRuleId;
  readonly severity: SafetySeverity;
  /** Tells this finding from others of the same rule: a reason given for one does not count for another. */
  readonly key: string;
  readonly thing: LocalText | null;
  /** The allergen, the texture, or the smallest age of the task. */
  readonly of: string | null;
  readonly supervision: Supervision;
  readonly source: string;
  /** A task that practises the same without it, by slug. */
  readonly twin: string | null;
}

export interface SafetyVerdict {
  readonly findings: readonly SafetyFinding[];
  /** The nearest that any finding asks for; `near` where there is none. */
  readonly supervision: Supervision;
}

const SMALL_PARTS_UNDER_YEARS = 3;
const BALLOONS_UNDER_YEARS = 8;

/**
 * What a task asks to be careful of, for one child or for any: each finding with its rule, how hard it stops, how near an
 * adult has to be and, where one exists, a safer twin. It supports and does not replace the judgement of the therapist.
 * Sources: see SAFETY_RULES.
 * @throws RangeError for an age that is none: no rule may pass for want of a number.
 * @param things what will be used; `thingsAt` gives the task's own materials
 */
export function judgeSafety(
  task: Pick<TaskContent, 'ages' | 'moveHazards' | 'twins'>,
  things: readonly ThingInUse[],
  child: ChildForSafety | null,
): SafetyVerdict {
  if (child) requireAtLeast('ageYears', child.ageYears, 0);
  const findings: SafetyFinding[] = [];
  const twinFor = (instead: TaskContent['twins'][number]['instead']) => task.twins.find((twin) => twin.instead === instead)?.slug ?? null;
  const add = (
    rule: SafetyRuleId,
    severity: SafetySeverity,
    thing: ThingInUse | null,
    of: string | null = null,
    twin: string | null = null,
  ) => {
    const key = [rule, thing?.id, of].filter(Boolean).join(':');
    if (findings.some((finding) => finding.key === key)) return;
    findings.push({ rule, severity, key, thing: thing?.name ?? null, of, ...SAFETY_RULES[rule], twin });
  };
  for (const thing of things) {
    judgeSize(thing, child, (rule, severity) => add(rule, severity, thing, null, twinFor('smallParts')));
    for (const allergen of allergensOf(thing)) {
      const hit = child?.allergies.includes(allergen);
      if (child && !hit) continue;
      add(
        allergen === 'latex' ? 'latex' : 'allergen',
        hit ? 'block' : 'caution',
        thing,
        allergen,
        thing.hazards.includes('food') ? twinFor('food') : null,
      );
    }
    if (thing.hazards.includes('balloon'))
      add('balloon', !child ? 'caution' : child.ageYears < BALLOONS_UNDER_YEARS ? 'block' : 'acknowledge', thing);
    for (const texture of thing.textures) if (child?.texturesAvoided.includes(texture)) add('texture', 'acknowledge', thing, texture);
    if (thing.hazards.includes('blade') && child && !child.scissorsAllowed)
      add('scissorsNotAllowed', 'block', thing, null, twinFor('scissors'));
    for (const hazard of PLAIN_HAZARDS)
      if (thing.hazards.includes(hazard)) add(hazard, severityOf(hazard, child), thing, null, hazard === 'food' ? twinFor('food') : null);
  }
  for (const hazard of PLAIN_HAZARDS) if (task.moveHazards.includes(hazard)) add(hazard, severityOf(hazard, child), null);
  if (child && (child.ageYears < task.ages.fromYears || child.ageYears > task.ages.toYears))
    add('age', 'caution', null, `${task.ages.fromYears}–${task.ages.toYears}`);
  const ORDER: readonly SafetySeverity[] = ['block', 'acknowledge', 'caution'];
  findings.sort((a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity));
  return { findings, supervision: findings.map((finding) => finding.supervision).reduce<Supervision>(nearer, 'near') };
}

const nearer = (a: Supervision, b: Supervision): Supervision => (SUPERVISION.indexOf(a) >= SUPERVISION.indexOf(b) ? a : b);

/** A child who mouths things, or is under three, meets small things only with a reason of the therapist's. */
function judgeSize(thing: ThingInUse, child: ChildForSafety | null, add: (rule: SafetyRuleId, severity: SafetySeverity) => void): void {
  const small = smallnessOf(thing);
  if (!small) return;
  const atRisk = child && (child.mouthsThings || child.ageYears < SMALL_PARTS_UNDER_YEARS);
  if (child && !atRisk) return;
  // Under three the law calls small parts banned hazards; a child who mouths things meets them with an adult at the elbow, or not at all.
  add(small, !child ? 'caution' : child.ageYears < SMALL_PARTS_UNDER_YEARS ? 'block' : 'acknowledge');
}

/** What a thing's size comes to, or null where it is big enough. */
export function smallnessOf(thing: Pick<ThingInUse, 'shape' | 'sizeMm' | 'hazards'>): 'smallPart' | 'smallBall' | null {
  if (thing.shape) {
    const verdict = smallPartVerdict(thing.shape);
    return !verdict.fits ? null : verdict.kind === 'smallBall' ? 'smallBall' : 'smallPart';
  }
  return thing.hazards.includes('smallPart') ? 'smallPart' : null;
}

function allergensOf({ allergens, hazards }: ThingInUse): Allergen[] {
  const byHazard = (['wheat', 'latex'] as const).filter((hazard) => hazards.includes(hazard));
  return [...new Set([...allergens, ...byHazard])];
}

function severityOf(hazard: (typeof PLAIN_HAZARDS)[number], child: ChildForSafety | null): SafetySeverity {
  if (!child) return 'caution';
  const youngOrMouthing = child.mouthsThings || child.ageYears < SMALL_PARTS_UNDER_YEARS;
  switch (hazard) {
    // Swallowed, both injure within hours: not for a child who mouths things.
    case 'magnet':
    case 'buttonCell':
      return youngOrMouthing ? 'block' : 'acknowledge';
    case 'bag':
    case 'band':
    case 'food':
    case 'foam':
    case 'soap':
    case 'paint':
      return youngOrMouthing ? 'acknowledge' : 'caution';
    default:
      return 'caution';
  }
}

/** The task's own materials that are needed at any of the steps from `from` to `to`, both included. */
export function thingsAt(task: Pick<TaskContent, 'materials'>, from: number, to: number): ThingInUse[] {
  return task.materials.filter((material) => isNeededAt(material, from, to));
}

export type TaskTrait = 'scissors' | 'food';

/** True where a task needs a blade, or food, at any of its steps: what families ask to be left out. */
export function hasTrait(task: Pick<TaskContent, 'materials' | 'moveHazards'>, trait: TaskTrait): boolean {
  const hazard: Hazard = trait === 'scissors' ? 'blade' : 'food';
  return task.moveHazards.includes(hazard) || task.materials.some((material) => material.hazards.includes(hazard));
}
