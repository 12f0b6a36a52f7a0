import { checkLadder, type LadderFinding } from '../ladder';
import type { KnobKey } from '../knobs';
import { isNeededAt, type Material, type Substitute, type TaskContent } from '../tasks';
import { textOf } from '../text';

export type MaterialStanding =
  | { readonly kind: 'atHome'; readonly material: Material }
  /** The home has something that serves in its place. */
  | { readonly kind: 'replaced'; readonly material: Material; readonly by: Substitute; readonly count: number }
  /** Not at home; `offers` may serve if the family has them. */
  | { readonly kind: 'missing'; readonly material: Material; readonly offers: readonly Substitute[] };

export interface HomeMatch {
  readonly standings: readonly MaterialStanding[];
  /** The task as this home does it: substitutes in, with what they do to grades and counts. */
  readonly task: TaskContent;
  /** Steps, 1-based, whose grade a substitute changes. */
  readonly changedSteps: readonly number[];
  /** Findings on the ladder with the substitutes in place. */
  readonly findings: readonly LadderFinding[];
}

/**
 * Sets a task's materials against what a home has: what is there, what replaces it, what is missing; then puts the
 * substitutes in, which may change grades (thick tongs for thin is an easier tool), counts and safety, and checks the
 * ladder again. Source: our own definition.
 * @param home ids of the things at home
 * @param from, to the steps of the ladder that are meant, 1-based, both included
 */
export function matchHome(task: TaskContent, home: readonly string[], from = 1, to = task.ladder.steps.length): HomeMatch {
  const needed = task.materials.filter((material) => isNeededAt(material, from, to));
  const standings = needed.map((material) => standingOf(material, home));
  const replaced = standings.flatMap((standing) => (standing.kind === 'replaced' ? [standing] : []));
  const changed = new Set<number>();
  const steps = task.ladder.steps.map((step, index) => {
    const moves = replaced.filter(({ material }) => isNeededAt(material, index + 1)).flatMap(({ by }) => by.levels);
    const grade = Object.assign({}, step.grade, Object.fromEntries(moves.map(({ knob, level }) => [knob, level]))) as typeof step.grade;
    if (moves.some(({ knob, level }) => (step.grade[knob] ?? 0) !== level)) changed.add(index + 1);
    return { ...step, grade };
  });
  const materials = task.materials.map((material) =>
    inUse(
      material,
      replaced.find((standing) => standing.material === material),
    ),
  );
  const atHome: TaskContent = { ...task, materials, ladder: { ...task.ladder, steps } };
  return { standings, task: atHome, changedSteps: [...changed], findings: changed.size ? checkLadder(task.knobs, atHome.ladder) : [] };
}

function standingOf(material: Material, home: readonly string[]): MaterialStanding {
  if (home.includes(material.id)) return { kind: 'atHome', material };
  const by = material.substitutes.find((substitute) => substitute.id && home.includes(substitute.id));
  return by
    ? { kind: 'replaced', material, by, count: Math.ceil(material.count * (by.times ?? 1)) }
    : { kind: 'missing', material, offers: material.substitutes };
}

function inUse(material: Material, standing: Extract<MaterialStanding, { kind: 'replaced' }> | undefined): Material {
  if (!standing) return material;
  const { by, count } = standing;
  const { sizeMm: _size, shape: _shape, ...rest } = material;
  return {
    ...rest,
    id: by.id ?? material.id,
    name: textOf(by),
    count,
    hazards: by.hazards,
    allergens: by.allergens,
    textures: by.textures,
    substitutes: [],
    ...(by.shape ? { shape: by.shape } : {}),
  };
}

/**
 * The levels of each knob that a home can offer: a level that needs a thing is offered where that thing is at home, or a
 * substitute that leaves the knob alone is.
 */
export function offeredLevels(task: TaskContent, home: readonly string[]): Partial<Record<KnobKey, number[]>> {
  return Object.fromEntries(
    task.knobs.map(({ knob, levels }) => [
      knob,
      levels.flatMap((level, index) => ((level.needs ?? []).every((id) => canServe(task, id, home, knob)) ? [index] : [])),
    ]),
  );
}

function canServe(task: TaskContent, id: string, home: readonly string[], knob: KnobKey): boolean {
  if (home.includes(id)) return true;
  const substitutes = task.materials.find((material) => material.id === id)?.substitutes ?? [];
  return substitutes.some(
    (substitute) => substitute.id && home.includes(substitute.id) && substitute.levels.every((move) => move.knob !== knob),
  );
}
