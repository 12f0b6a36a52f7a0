import { BUNDLES, type BundleId } from './bundles';
import { minutesOf } from '../dose';
import { matchHome } from '../materials';
import { hasTrait } from '../safety';
import { type Skill, type Skin } from '../vocabulary';
import type { Material, TaskContent } from '../tasks';
import { plain } from '../text';

/** Filters of a search; a field that is left out filters nothing. */
export interface TaskOptions {
  /** Words of title, description, skill or material, in any order. */
  readonly search?: string | undefined;
  /** As main skill, or among the others. */
  readonly skill?: Skill | undefined;
  readonly ageYears?: number | undefined;
  readonly mostMinutes?: number | undefined;
  readonly noScissors?: boolean | undefined;
  readonly noFood?: boolean | undefined;
  /** Skins that the task can be told in. */
  readonly skin?: Skin | undefined;
  /** Ids of things at hand: only tasks that use one of them and need nothing else at some two steps of their ladder. */
  readonly atHand?: readonly string[] | undefined;
  /** A set of tasks for a common first program. */
  readonly bundle?: BundleId | undefined;
}

/**
 * The tasks that fit a wish, those with the wished skill as their main one first, else in the order given.
 * @param wordsOf what a task is searched by beside its title, description and materials: the names of its skills
 */
export function findTasks<Found extends { readonly content: TaskContent }>(
  tasks: readonly Found[],
  options: TaskOptions,
  wordsOf: (task: TaskContent) => string = () => '',
): Found[] {
  const words = plain(options.search ?? '')
    .split(/\s+/)
    .filter(Boolean);
  const found = tasks.filter(({ content }) => {
    const text = plain(
      [
        ...Object.values(content.title),
        ...Object.values(content.description ?? {}),
        wordsOf(content),
        ...content.materials.map((material) => material.name.en),
      ].join(' '),
    );
    return words.every((word) => text.includes(word)) && fits(content, options);
  });
  return options.skill
    ? found.sort((a, b) => Number(b.content.skill === options.skill) - Number(a.content.skill === options.skill))
    : found;
}

function fits(task: TaskContent, { skill, ageYears, mostMinutes, noScissors, noFood, skin, atHand, bundle }: TaskOptions): boolean {
  if (bundle && !(BUNDLES.find(({ id }) => id === bundle)!.slugs as readonly string[]).includes(task.slug)) return false;
  if (skill && task.skill !== skill && !task.otherSkills.includes(skill)) return false;
  if (ageYears !== undefined && (ageYears < task.ages.fromYears || ageYears > task.ages.toYears)) return false;
  if (mostMinutes !== undefined && minutesOf(task.dose) > mostMinutes) return false;
  if (noScissors && hasTrait(task, 'scissors')) return false;
  if (noFood && hasTrait(task, 'food')) return false;
  if (skin && skin !== 'buildersYard' && !task.skins[skin]) return false;
  return !atHand?.length || (usesOne(task, atHand) && stepsWith(task, atHand) !== null);
}

function usesOne(task: TaskContent, atHand: readonly string[]): boolean {
  return task.materials.some(
    ({ id, substitutes }) => atHand.includes(id) || substitutes.some((substitute) => substitute.id && atHand.includes(substitute.id)),
  );
}

/**
 * The first stretch of two or more steps that can be done with only the things given (or what replaces them), 1-based;
 * null where there is none.
 */
export function stepsWith(task: TaskContent, atHand: readonly string[]): { readonly from: number; readonly to: number } | null {
  const possible = task.ladder.steps.map((_, index) =>
    matchHome(task, atHand, index + 1, index + 1).standings.every((standing) => standing.kind !== 'missing'),
  );
  const from = possible.findIndex((can, index) => can && possible[index + 1]);
  if (from < 0) return null;
  const end = possible.findIndex((can, index) => index > from && !can);
  return { from: from + 1, to: end < 0 ? possible.length : end };
}

/**
 * Lists the things that are missing beside those given, for the two neighboring steps of a task that need fewest; null for a task
 * that uses none of the things given.
 */
export function lackingFor(task: TaskContent, atHand: readonly string[]): readonly Material[] | null {
  if (!usesOne(task, atHand)) return null;
  const pairs = task.ladder.steps.slice(1).map((_, index) => {
    const { standings } = matchHome(task, atHand, index + 1, index + 2);
    return standings.flatMap((standing) => (standing.kind === 'missing' ? [standing.material] : []));
  });
  return pairs.reduce<readonly Material[] | null>(
    (least, missing) => (least === null || missing.length < least.length ? missing : least),
    null,
  );
}
