import { requireAbove, requireWhole } from '../whole';
import {
  compareGrades,
  demandOf,
  demandCalculator,
  isTooBigToFit,
  measuresAt,
  type Grade,
  type KnobKey,
  type MeasureName,
  type TaskKnob,
} from '../knobs';

export interface LadderOptions {
  readonly knobs: readonly TaskKnob[];
  readonly start: Grade;
  /** Levels that this home can offer, by knob; all where nothing is said. */
  readonly offered?: Readonly<Partial<Record<KnobKey, readonly number[]>>> | undefined;
  /** Steps wanted below and above the start, 0 to 6 each. */
  readonly easierSteps: number;
  readonly harderSteps: number;
}

export interface ProposedStep {
  readonly grade: Grade;
  readonly demand: number;
  /** Change that makes this step harder than the one before it; null at the first. */
  readonly by: { readonly knob: KnobKey; readonly from: number; readonly to: number; readonly rise: number } | null;
}

/** A knob that can go no further one way, and whether it is the knob's own end or what the home lacks. */
export interface UsedUpKnob {
  readonly way: 'easier' | 'harder';
  readonly knob: KnobKey;
  readonly because: 'lastLevel' | 'notOffered' | 'doesNotFit';
}

export interface ProposedLadder {
  readonly steps: readonly ProposedStep[];
  /** 1-based place of the start in `steps`. */
  readonly startStep: number;
  /** Sum of squares of the rises about their mean: 0 for even growth. */
  readonly unevenness: number;
  /** Steps that could not be found each way; 0 where all were. */
  readonly missing: { readonly easier: number; readonly harder: number };
  /** Why steps are missing; empty where none are. */
  readonly usedUp: readonly UsedUpKnob[];
  /** Steps, 1-based, whose demand does not rise although a knob moved to its harder side; empty wherever a wholly rising ladder exists. */
  readonly falls: readonly number[];
  /** Knobs that the start stands on at a level which the home cannot offer. */
  readonly startNotOffered: readonly KnobKey[];
}

const MOST_KNOBS = 12;
const MOST_STEPS = 6;
const MOST_LEVELS = 10;

/**
 * The ladder through `start` with the steps wanted each way, every step harder than the one before it by one knob moved
 * to the next level that the home can offer, and of all such ladders the one whose demand grows most evenly (least sum of
 * squares of the rises about their mean). A grade whose item does not fit its opening is none and is never stood on; where
 * a wholly rising ladder exists no falling one is given. Where a way has fewer moves than steps wanted, it goes as far as it
 * can and says which knobs are used up.
 *
 * Exact: as many single-knob moves exist as steps in any chain, so only those are searched. A chain's sum of rises is
 * fixed by its end, and the least sum of squares to a grade follows from those of the grades one move nearer, so both ways
 * are a shortest path over the lattice; the best pair of ends lies on the lower hulls of (sum, sum of squares).
 * Memory: at most C(12 + 6, 6) = 18,564 grades a way at the limits, 1,820 for 12 knobs and 4 steps.
 * Source: our own definition.
 * @throws RangeError for more than 12 knobs, one given twice, fewer than 2 or more than 10 levels of one, a weight that is
 * not above 0, steps outside 0 to 6, or a start off the knobs.
 */
export function proposeLadder(options: LadderOptions): ProposedLadder {
  refuseBadOptions(options);
  const down = bestWay(options, 'easier');
  const up = bestWay(options, 'harder');
  const { easier, harder, unevenness } = bestPair(down.ends, up.ends);
  const grades = [...pathTo(easier).reverse(), ...pathTo(harder).slice(1)].map((node) => gradeOf(options.knobs, node.levels));
  const steps = explain(options.knobs, grades);
  return {
    steps,
    startStep: down.depth + 1,
    unevenness,
    missing: { easier: options.easierSteps - down.depth, harder: options.harderSteps - up.depth },
    usedUp: [...down.usedUp, ...up.usedUp],
    falls: steps.flatMap(({ by }, index) => (by && by.rise <= 0 ? [index + 1] : [])),
    startNotOffered: options.knobs.flatMap(({ knob }) => {
      const offered = options.offered?.[knob];
      return offered && !offered.includes(options.start[knob] ?? 0) ? [knob] : [];
    }),
  };
}

function refuseBadOptions({ knobs, start, easierSteps, harderSteps }: LadderOptions): void {
  requireWhole('The number of grading factors', knobs.length, 1, MOST_KNOBS);
  for (const steps of [easierSteps, harderSteps]) requireWhole('The count of steps one way', steps, 0, MOST_STEPS);
  knobs.forEach(({ knob, levels, weight = 1 }, index) => {
    if (knobs.findIndex((other) => other.knob === knob) < index) throw new RangeError(`Grading factor ${knob} is given twice`);
    requireWhole(`The count of levels of ${knob}`, levels.length, 2, MOST_LEVELS);
    requireAbove(`The weight of ${knob}`, weight, 0);
  });
  for (const [knob, level] of Object.entries(start) as [KnobKey, number][]) {
    const known = knobs.find((candidate) => candidate.knob === knob);
    if (!known || !Number.isInteger(level) || !known.levels[level]) {
      throw new RangeError(`The start is at level ${level} of ${knob}, which the task does not have`);
    }
  }
}

/** A grade on the way from the start, with the least sum of squares of rises that leads to it. */
interface Node {
  readonly levels: readonly number[];
  /** The levels as digits of one number: with at most 12 knobs of 10 levels it is exact. */
  readonly key: number;
  readonly demand: number;
  squares: number;
  before: Node | null;
}

interface Way {
  readonly ends: readonly Node[];
  readonly depth: number;
  readonly usedUp: readonly UsedUpKnob[];
}

/** The chains that rise at every step, unless only falling ones go further. */
function bestWay(options: LadderOptions, way: 'easier' | 'harder'): Way {
  const rising = searchWay(options, way, true);
  const any = rising.usedUp.length ? searchWay(options, way, false) : rising;
  return any.depth > rising.depth ? any : rising;
}

function searchWay(options: LadderOptions, way: 'easier' | 'harder', risingOnly: boolean): Way {
  const { knobs } = options;
  const wanted = way === 'easier' ? options.easierSteps : options.harderSteps;
  const next = knobs.map((knob) => nextLevels(knob, options.offered?.[knob.knob], way));
  const first = knobs.map(({ knob }) => options.start[knob] ?? 0);
  const measures = (name: MeasureName) => knobs.some(({ levels }) => levels.some((level) => level.measures?.[name] !== undefined));
  const lattice: Lattice = {
    knobs,
    next,
    demandAt: demandCalculator(knobs),
    sign: risingOnly ? (way === 'harder' ? 1 : -1) : 0,
    mayNotFit: measures('itemMm') && measures('openingMm'),
  };
  let layer: readonly Node[] = [
    {
      levels: first,
      key: first.reduce((key, level, index) => key + level * DIGIT[index]!, 0),
      demand: lattice.demandAt(first),
      squares: 0,
      before: null,
    },
  ];
  let depth = 0;
  while (depth < wanted) {
    const reached = new Map<number, Node>();
    for (const node of layer) growFrom(node, lattice, reached);
    if (reached.size === 0) return { ends: layer, depth, usedUp: usedUpAt(lattice, layer[0]!.levels, way) };
    layer = [...reached.values()];
    depth += 1;
  }
  return { ends: layer, depth, usedUp: [] };
}

/** Search space: the grades that a proposed ladder may pass through. */
interface Lattice {
  readonly knobs: readonly TaskKnob[];
  /** Next level by knob and level; null at the end. */
  readonly next: readonly (readonly (number | null)[])[];
  readonly demandAt: (levels: readonly number[]) => number;
  /** The sign that a change of demand must have; 0 where any will do. */
  readonly sign: -1 | 0 | 1;
  /** True where the knobs measure an item and an opening. A grade whose item is too big for its opening is no grade. */
  readonly mayNotFit: boolean;
}

const DIGIT = Array.from({ length: MOST_KNOBS }, (_, index) => 10 ** index);

function growFrom(node: Node, { knobs, next, demandAt, sign, mayNotFit }: Lattice, reached: Map<number, Node>): void {
  for (let index = 0; index < next.length; index += 1) {
    const from = node.levels[index]!;
    const to = next[index]![from];
    if (to === null || to === undefined) continue;
    const key = node.key + (to - from) * DIGIT[index]!;
    const known = reached.get(key);
    if (!known) {
      const levels = node.levels.slice();
      levels[index] = to;
      const demand = demandAt(levels);
      if ((demand - node.demand) * sign < 0 || (sign !== 0 && demand === node.demand)) continue;
      if (mayNotFit && isTooBigToFit(measuresAt(knobs, gradeOf(knobs, levels)))) continue;
      reached.set(key, { levels, key, demand, squares: node.squares + (demand - node.demand) ** 2, before: node });
      continue;
    }
    if ((known.demand - node.demand) * sign < 0 || (sign !== 0 && known.demand === node.demand)) continue;
    const squares = node.squares + (known.demand - node.demand) ** 2;
    if (squares < known.squares - 1e-12) Object.assign(known, { squares, before: node });
  }
}

/** For each level of a knob the next one that is offered, that way; null at the end. */
function nextLevels({ levels }: TaskKnob, offered: readonly number[] | undefined, way: 'easier' | 'harder'): (number | null)[] {
  const open = levels.map((_, level) => level).filter((level) => !offered || offered.includes(level));
  return levels.map(
    (_, level) => (way === 'harder' ? open.find((other) => other > level) : open.filter((other) => other < level).at(-1)) ?? null,
  );
}

function usedUpAt({ knobs, next }: Lattice, levels: readonly number[], way: 'easier' | 'harder'): UsedUpKnob[] {
  return knobs.map(({ knob, levels: all }, index) => {
    const last = way === 'harder' ? all.length - 1 : 0;
    if (levels[index] === last) return { way, knob, because: 'lastLevel' };
    const to = next[index]![levels[index]!];
    const isOffered = to !== null && to !== undefined;
    return { way, knob, because: isOffered ? 'doesNotFit' : 'notOffered' };
  });
}

interface Pair {
  readonly easier: Node;
  readonly harder: Node;
  readonly unevenness: number;
}

/** Rises below the start and above it share one mean, so the two ends are chosen together. */
function bestPair(easier: readonly Node[], harder: readonly Node[]): Pair {
  let best: Pair | null = null;
  for (const low of lowerHull(easier)) {
    for (const high of lowerHull(harder)) {
      const rises = pathTo(low).length + pathTo(high).length - 2;
      const sum = high.demand - low.demand;
      const unevenness = rises === 0 ? 0 : Math.max(0, low.squares + high.squares - sum ** 2 / rises);
      if (!best || unevenness < best.unevenness - 1e-12) best = { easier: low, harder: high, unevenness };
    }
  }
  return best!;
}

/** The ends that can be best for some mean m, which is to have the least Σd² − 2mΣd: corners of the lower convex hull. */
function lowerHull(ends: readonly Node[]): Node[] {
  const start = pathTo(ends[0]!).at(0)!;
  const sumOf = (node: Node) => Math.abs(node.demand - start.demand);
  const sorted = [...ends].sort((a, b) => sumOf(a) - sumOf(b) || a.squares - b.squares);
  const hull: Node[] = [];
  for (const node of sorted) {
    while (hull.length >= 2 && turnsUp(hull.at(-2)!, hull.at(-1)!, node, sumOf)) hull.pop();
    if (hull.length && sumOf(hull.at(-1)!) === sumOf(node)) continue;
    hull.push(node);
  }
  return hull;
}

function turnsUp(a: Node, b: Node, c: Node, sumOf: (node: Node) => number): boolean {
  return (sumOf(b) - sumOf(a)) * (c.squares - a.squares) - (b.squares - a.squares) * (sumOf(c) - sumOf(a)) <= 0;
}

/** From the start to the node, both included. */
function pathTo(node: Node): Node[] {
  return node.before ? [...pathTo(node.before), node] : [node];
}

function gradeOf(knobs: readonly TaskKnob[], levels: readonly number[]): Grade {
  return Object.fromEntries(knobs.map(({ knob }, index) => [knob, levels[index]!]));
}

function explain(knobs: readonly TaskKnob[], grades: readonly Grade[]): ProposedStep[] {
  return grades.map((grade, index) => {
    const demand = demandOf(knobs, grade);
    const before = grades[index - 1];
    const move = before && compareGrades(before, grade).moved[0];
    return { grade, demand, by: move ? { ...move, rise: demand - demandOf(knobs, before) } : null };
  });
}
