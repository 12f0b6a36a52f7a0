import type { Random } from '../random';
import { requireAtLeast, requireWhole } from '../whole';
import type { Effort } from '../reports';
import { HELP_LEVELS, type HelpLevel } from '../vocabulary';

export interface SimulatedChild {
  /** On the scale of demand. */
  readonly ability: number;
  /** Ability at the first session; later gains may fade, this does not. */
  readonly held: number;
  /** Growth of ability for a session at the edge of what works. */
  readonly growth: number;
}

export interface SimulatedSession {
  readonly good: number;
  /** The help that most of the tries were given with; what a helper would tell. */
  readonly help: HelpLevel;
  readonly effort: Effort;
  readonly child: SimulatedChild;
}

/**
 * Amount by which each level of help lowers the demand of a step, on the scale of demand. Our own choice; a step's usual rise is
 * 0.5 to 1.
 */
const HELP_EASES: Readonly<Record<HelpLevel, number>> = {
  alone: 0,
  words: 0.2,
  pointed: 0.35,
  shown: 0.55,
  steadied: 0.9,
  handOverHand: 1.8,
};

/**
 * A single level of a task's chief knob takes a child from eight of ten to about one of two. Our own choice: steeper, and no child
 * could hold a step that turns one level.
 */
const STEEPNESS = 2;

/** The chance of one good repetition: logistic in ability less demand, with what the help takes off it. Our own definition, for demo, tests and trials. */
export function chanceOfGood(ability: number, demand: number, help: HelpLevel = 'alone'): number {
  return 1 / (1 + Math.exp(-STEEPNESS * (ability + HELP_EASES[help] - demand)));
}

/** Days without practice that take nothing away; after them half of the gain is lost in HALF_LIFE_DAYS. Our own choice. */
const KEPT_DAYS = 3;
const HALF_LIFE_DAYS = 40;

/** The child after so many days without practice: what was gained fades, what it held before stays. @throws RangeError for days that are no count */
export function afterGap(child: SimulatedChild, days: number): SimulatedChild {
  requireWhole('days', days, 0, 100_000);
  const gained = Math.max(0, child.ability - child.held);
  const faded = gained * (1 - 0.5 ** (Math.max(0, days - KEPT_DAYS) / HALF_LIFE_DAYS));
  return { ...child, ability: child.ability - faded };
}

/** No session asks for more. */
const MOST_TARGET = 10_000;
/** A helper gives one level more after so many misses, and one less after so many good ones. */
const MISSES_TO_HELP = 1;
const GOOD_TO_FADE = 4;

/**
 * Simulates a session: repetitions tried one by one; the helper begins without help, or with the level asked for, gives more after
 * misses and less as it goes well. Help, effort and the child's gain follow.
 * @throws RangeError for a target that is no count
 */
export function simulateSession(
  child: SimulatedChild,
  demand: number,
  target: number,
  chance: Random,
  begins: HelpLevel = 'alone',
): SimulatedSession {
  requireWhole('target', target, 0, MOST_TARGET);
  requireAtLeast('growth', child.growth, 0);
  const tries = HELP_LEVELS.map(() => 0);
  let level = HELP_LEVELS.indexOf(begins);
  let good = 0;
  let misses = 0;
  let row = 0;
  for (let tried = 0; tried < target; tried += 1) {
    tries[level]! += 1;
    if (chance() < chanceOfGood(child.ability, demand, HELP_LEVELS[level]!)) {
      good += 1;
      row += 1;
      misses = 0;
    } else {
      misses += 1;
      row = 0;
    }
    if (misses >= MISSES_TO_HELP && level > MOST_HELP_AT_HOME) [level, misses] = [level - 1, 0];
    else if (row >= GOOD_TO_FADE && level < tries.length - 1) [level, row] = [level + 1, 0];
  }
  const share = target === 0 ? 0 : good / target;
  const alone = chanceOfGood(child.ability, demand);
  // Practice teaches most where about three of four succeed without help.
  const edge = Math.exp(-(((alone - 0.75) / 0.25) ** 2));
  return {
    good,
    help: mostOf(tries),
    effort: effortFor(share, alone, chance()),
    child: { ...child, ability: child.ability + child.growth * edge },
  };
}

/** Families rarely move a child's hand for it; the session ends before. */
const MOST_HELP_AT_HOME = HELP_LEVELS.indexOf('steadied');

/** The level with most tries; of equal ones the one with less help. */
function mostOf(tries: readonly number[]): HelpLevel {
  return HELP_LEVELS[tries.lastIndexOf(Math.max(...tries))]!;
}

function effortFor(share: number, alone: number, luck: number): Effort {
  if (share < 0.5 || alone < 0.3) return luck < 0.6 ? 'tooHard' : 'right';
  return alone > 0.93 && luck < 0.4 ? 'tooEasy' : 'right';
}
