import type { PrecautionAsk } from './precautions';
import { allergensIn } from './allergensIn';
import { requireAtLeast } from '../whole';
import { isNeededAt, type Shape, type TaskContent } from '../tasks';
import type { Allergen, Hazard, Texture } from '../vocabulary';
import type { LocalText } from '../text';
import {
  PLAIN_HAZARDS,
  SAFETY_RULES,
  SUPERVISION,
  type PlainHazard,
  type SafetyRuleId,
  type SafetySeverity,
  type Supervision,
} from './rules';
import { smallPartVerdict } from './smallParts';

/** Facts about a child that decide on safety; `null` judges for any child of the task's ages. */
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
  /** Parts that come off it or out of it: a lid, a nut, a ball made of it. Judged as things of their own. */
  readonly looseParts?: readonly Omit<ThingInUse, 'looseParts'>[] | undefined;
}

export interface SafetyFinding {
  readonly rule: SafetyRuleId;
  readonly severity: SafetySeverity;
  /** Tells this finding from others of the same rule: a reason given for one does not count for another. */
  readonly key: string;
  readonly thing: LocalText | null;
  /** The allergen, the texture, or the smallest age of the task. */
  readonly of: string | null;
  /** Consideration that a precaution calls for; only with the rule of that name. */
  readonly asks?: PrecautionAsk;
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
 * Judges a task's safety for one child or for any: each finding with its rule, how strongly it stops, how near an adult has to be
 * and, where one exists, a safer alternative. It supports and does not replace the therapist's judgment. Sources: see SAFETY_RULES.
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
  const judge = (thing: ThingInUse, of: ThingInUse | null) => {
    judgeSize(thing, child, (rule, severity) => add(rule, severity, of, null, twinFor('smallParts')));
    for (const { allergen, known } of allergensOf(thing)) {
      const hit = child?.allergies.some((allergy) => allergensIn(allergy).includes(allergen));
      if (child && !hit) continue;
      const rule = allergen !== 'latex' ? 'allergen' : known ? 'latex' : 'latexMaybe';
      add(rule, !hit ? 'caution' : known ? 'block' : 'acknowledge', of, allergen, thing.hazards.includes('food') ? twinFor('food') : null);
    }
    if (thing.hazards.includes('balloon'))
      add('balloon', !child ? 'caution' : child.ageYears < BALLOONS_UNDER_YEARS ? 'block' : 'acknowledge', of);
    for (const texture of thing.textures) if (child?.texturesAvoided.includes(texture)) add('texture', 'acknowledge', of, texture);
    if (thing.hazards.includes('blade') && child && !child.scissorsAllowed)
      add('scissorsNotAllowed', 'block', of, null, twinFor('scissors'));
    for (const hazard of PLAIN_HAZARDS)
      if (thing.hazards.includes(hazard)) add(hazard, severityOf(hazard, child), of, null, hazard === 'food' ? twinFor('food') : null);
  };
  for (const thing of things) for (const part of [thing, ...(thing.looseParts ?? [])]) judge(part, part);
  // The moves are judged just like the things on the table.
  judge({ id: 'moves', name: { en: '' }, hazards: task.moveHazards, allergens: [], textures: [] }, null);
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

/**
 * Returns how small a thing is, or null where it is big enough. A declared small part always counts, whatever the outer shape; a
 * size without a shape is judged as a ball.
 */
export function smallnessOf({
  shape,
  sizeMm,
  hazards,
}: Pick<ThingInUse, 'shape' | 'sizeMm' | 'hazards'>): 'smallPart' | 'smallBall' | null {
  const judged = shape ?? (sizeMm === undefined ? undefined : { kind: 'sphere' as const, diameterMm: sizeMm });
  const verdict = judged && smallPartVerdict(judged);
  if (verdict?.fits) return verdict.kind === 'smallBall' && !hazards.includes('smallPart') ? 'smallBall' : 'smallPart';
  return hazards.includes('smallPart') ? 'smallPart' : null;
}

/**
 * Returns the allergens that are known to be in a thing, and those that may be: bands, balloons, elastic, erasers, tape and labels
 * may be of latex unless the pack says otherwise.
 */
function allergensOf({ allergens, hazards }: ThingInUse): { readonly allergen: Allergen; readonly known: boolean }[] {
  const known = new Set<Allergen>([...allergens, ...(['wheat', 'latex'] as const).filter((hazard) => hazards.includes(hazard))]);
  const mayHaveLatex = !known.has('latex') && (['band', 'balloon', 'mayHoldLatex'] as const).some((hazard) => hazards.includes(hazard));
  return [
    ...[...known].map((allergen) => ({ allergen, known: true })),
    ...(mayHaveLatex ? [{ allergen: 'latex' as const, known: false }] : []),
  ];
}

function severityOf(hazard: PlainHazard, child: ChildForSafety | null): SafetySeverity {
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
    case 'notEaten':
      return youngOrMouthing ? 'acknowledge' : 'caution';
    default:
      return 'caution';
  }
}

/** The task's own materials that are needed at any of the steps from `from` to `to`, both included, with what comes off them there. */
export function thingsAt(task: Pick<TaskContent, 'materials'>, from: number, to: number): ThingInUse[] {
  return (
    task.materials
      .filter((material) => isNeededAt(material, from, to))
      // Drafts from before may have no list of loose parts.
      .map((material) => ({ ...material, looseParts: (material.looseParts ?? []).filter((part) => isNeededAt(part, from, to)) }))
  );
}

export type TaskTrait = 'scissors' | 'food';

/** True where a task needs a blade, or food, at any of its steps: what families ask to be left out. */
export function hasTrait(task: Pick<TaskContent, 'materials' | 'moveHazards'>, trait: TaskTrait): boolean {
  const hazard: Hazard = trait === 'scissors' ? 'blade' : 'food';
  return task.moveHazards.includes(hazard) || task.materials.some((material) => material.hazards.includes(hazard));
}

/** The substitutes of a material that this child may use: none that a rule stops is ever offered. For any child: all. */
export function safeSubstitutes(
  task: Pick<TaskContent, 'ages' | 'moveHazards' | 'twins'>,
  material: Pick<TaskContent['materials'][number], 'substitutes'>,
  child: ChildForSafety | null,
): TaskContent['materials'][number]['substitutes'] {
  if (!child) return material.substitutes;
  return material.substitutes.filter((substitute) => {
    const { id, shape, hazards, allergens, textures } = substitute;
    const thing: ThingInUse = { id: id ?? substitute.en, name: substitute, shape, hazards, allergens, textures };
    return judgeSafety({ ...task, moveHazards: [] }, [thing], child).findings.every(({ severity }) => severity === 'caution');
  });
}
