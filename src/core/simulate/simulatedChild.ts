import type { Random } from '../random';
import { requireAtLeast, requireWhole } from '../whole';
import type { Effort, HelpLevel } from '../sessions';

export interface SimulatedChild {
  /** On the scale of demand. */
  readonly ability: number;
  /** Growth of ability for a session at the edge of what works. */
  readonly growth: number;
}

export interface SimulatedSession {
  readonly good: number;
  readonly help: HelpLevel;
  readonly effort: Effort;
  readonly child: SimulatedChild;
}

/** The chance of one good repetition: logistic in ability less demand. Our own definition, for demo, tests and trials. */
export function chanceOfGood(ability: number, demand: number): number {
  return 1 / (1 + Math.exp(-4 * (ability - demand)));
}

/** No session asks for more. */
const MOST_TARGET = 10_000;

/** One session: repetitions tried one by one, the help and the effort that follow from them, and what the child gained. @throws RangeError for a target that is no count. */
export function simulateSession(child: SimulatedChild, demand: number, target: number, chance: Random): SimulatedSession {
  requireWhole('target', target, 0, MOST_TARGET);
  requireAtLeast('growth', child.growth, 0);
  const probability = chanceOfGood(child.ability, demand);
  let good = 0;
  for (let tried = 0; tried < target; tried += 1) if (chance() < probability) good += 1;
  const share = target === 0 ? 0 : good / target;
  // Practice teaches most where about three of four succeed.
  const edge = Math.exp(-(((probability - 0.75) / 0.25) ** 2));
  return {
    good,
    help: helpFor(share, chance()),
    effort: effortFor(share, chance()),
    child: { ...child, ability: child.ability + child.growth * edge },
  };
}

function helpFor(share: number, luck: number): HelpLevel {
  const independence = share + (luck - 0.5) * 0.3;
  if (independence > 0.9) return 'alone';
  if (independence > 0.7) return 'words';
  if (independence > 0.5) return 'pointed';
  return independence > 0.3 ? 'shown' : 'steadied';
}

function effortFor(share: number, luck: number): Effort {
  if (share < 0.4) return luck < 0.6 ? 'tooHard' : 'right';
  return share > 0.95 && luck < 0.35 ? 'tooEasy' : 'right';
}
