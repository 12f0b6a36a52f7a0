import {
  compareGrades,
  demandOf,
  isTooBigToFit,
  measuresAt,
  MEASURES,
  type Grade,
  type KnobKey,
  type MeasureName,
  type TaskKnob,
} from '../knobs';

export interface LadderStep {
  readonly grade: Grade;
  /** Why three or more knobs may move at once into this step. */
  readonly manyKnobsReason?: string | undefined;
}

export interface Ladder {
  readonly steps: readonly LadderStep[];
  /** 1-based */
  readonly startStep: number;
  /** Why the start has no easier or no harder neighbour. */
  readonly startReason?: string | undefined;
}

/** `step` is 1-based and names the harder one of two neighbours. What to do about each is in messages/, by its code. */
export type LadderFinding =
  | { readonly severity: 'error'; readonly code: 'tooFewSteps'; readonly step: 1; readonly count: number }
  | { readonly severity: 'error'; readonly code: 'unknownKnob'; readonly step: number; readonly knob: KnobKey }
  | {
      readonly severity: 'error';
      readonly code: 'levelOutOfRange';
      readonly step: number;
      readonly knob: KnobKey;
      readonly level: number;
      readonly levels: number;
    }
  | {
      readonly severity: 'error';
      readonly code: 'equalSteps' | 'easierStep' | 'mixedStep';
      readonly step: number;
      readonly knobs: readonly KnobKey[];
    }
  | {
      readonly severity: 'error' | 'warning' | 'note';
      readonly code: 'manyKnobs';
      readonly step: number;
      readonly knobs: readonly KnobKey[];
    }
  /** A knob that cannot be turned, or that is given twice. */
  | { readonly severity: 'error'; readonly code: 'fewLevels' | 'sameKnobTwice' | 'badWeight'; readonly step: 1; readonly knob: KnobKey }
  /** A measure that is no number above 0. */
  | { readonly severity: 'error'; readonly code: 'badMeasure'; readonly step: 1; readonly knob: KnobKey; readonly measure: MeasureName }
  | { readonly severity: 'error'; readonly code: 'startOffLadder'; readonly step: number; readonly count: number }
  | { readonly severity: 'error'; readonly code: 'startAtEnd'; readonly step: number }
  | { readonly severity: 'error'; readonly code: 'demandFalls'; readonly step: number; readonly knobs: readonly KnobKey[] }
  | { readonly severity: 'error'; readonly code: 'doesNotFit'; readonly step: number; readonly itemMm: number; readonly openingMm: number }
  | { readonly severity: 'warning' | 'note'; readonly code: 'bigJump'; readonly step: number; readonly times: number }
  | { readonly severity: 'note'; readonly code: 'idleKnob'; readonly step: 1; readonly knob: KnobKey };

/** A rise above this many times the ladder's median rise is said; from the second on as a warning. */
const UNEVEN = 1.5;
const BIG_JUMP = 3;

/**
 * Everything that is wrong with a ladder, in the order of its steps. Neighbours must get harder (equal, easier and mixed
 * are errors); one knob a step is the rule, two a warning, three an error that a reason turns into a note.
 * Source: common practice, no published source; the threshold of a big jump is our own.
 */
export function checkLadder(knobs: readonly TaskKnob[], ladder: Ladder): LadderFinding[] {
  const faulty = checkKnobs(knobs);
  // Over knobs that are no knobs nothing can be reckoned.
  if (faulty.length) return faulty;
  const { steps } = ladder;
  const levels = steps.map((step, index) => checkLevels(knobs, step.grade, index + 1));
  const isSound = (index: number) => levels[index]?.length === 0;
  const ofSteps = steps.flatMap((step, index) => {
    if (!isSound(index)) return levels[index]!;
    const before = isSound(index - 1) ? steps[index - 1] : undefined;
    return [...checkFit(knobs, step.grade, index + 1), ...(before ? checkNeighbours(knobs, before, step, index + 1) : [])];
  });
  return [
    ...(steps.length < 2 ? [{ severity: 'error', code: 'tooFewSteps', step: 1, count: steps.length } as const] : []),
    ...ofSteps,
    ...checkStart(ladder),
    ...(steps.every((_, index) => isSound(index)) ? checkRises(knobs, ladder) : []),
    ...checkIdle(knobs, ladder),
  ];
}

function checkKnobs(knobs: readonly TaskKnob[]): LadderFinding[] {
  return knobs.flatMap(({ knob, levels, weight = 1 }, index): LadderFinding[] => {
    const findings: LadderFinding[] = [];
    const add = (code: 'fewLevels' | 'sameKnobTwice' | 'badWeight') => findings.push({ severity: 'error', code, step: 1, knob });
    if (knobs.findIndex((other) => other.knob === knob) < index) add('sameKnobTwice');
    if (levels.length < 2) add('fewLevels');
    if (!(Number.isFinite(weight) && weight > 0)) add('badWeight');
    const bad = new Set(levels.flatMap(({ measures }) => MEASURES.filter((name) => isBadMeasure(measures?.[name]))));
    return [...findings, ...[...bad].map((measure) => ({ severity: 'error', code: 'badMeasure', step: 1, knob, measure }) as const)];
  });
}

function isBadMeasure(value: number | undefined): boolean {
  return value !== undefined && !(Number.isFinite(value) && value > 0);
}

function checkLevels(knobs: readonly TaskKnob[], grade: Grade, step: number): LadderFinding[] {
  const findings: LadderFinding[] = [];
  for (const [knob, level] of Object.entries(grade) as [KnobKey, number][]) {
    const known = knobs.find((candidate) => candidate.knob === knob);
    if (!known) findings.push({ severity: 'error', code: 'unknownKnob', step, knob });
    else if (!Number.isInteger(level) || level < 0 || level >= known.levels.length) {
      findings.push({ severity: 'error', code: 'levelOutOfRange', step, knob, level, levels: known.levels.length });
    }
  }
  return findings;
}

function checkFit(knobs: readonly TaskKnob[], grade: Grade, step: number): LadderFinding[] {
  const measures = measuresAt(knobs, grade);
  if (!isTooBigToFit(measures)) return [];
  return [{ severity: 'error', code: 'doesNotFit', step, itemMm: measures.itemMm!, openingMm: measures.openingMm! }];
}

function checkNeighbours(all: readonly TaskKnob[], before: LadderStep, after: LadderStep, step: number): LadderFinding[] {
  const { relation, moved } = compareGrades(before.grade, after.grade);
  const knobs = moved.map((move) => move.knob);
  if (relation === 'equal') return [{ severity: 'error', code: 'equalSteps', step, knobs }];
  if (relation === 'easier') return [{ severity: 'error', code: 'easierStep', step, knobs }];
  if (relation === 'mixed') return [{ severity: 'error', code: 'mixedStep', step, knobs }];
  if (demandOf(all, after.grade) <= demandOf(all, before.grade)) return [{ severity: 'error', code: 'demandFalls', step, knobs }];
  if (knobs.length === 1) return [];
  const severity = knobs.length === 2 ? 'warning' : after.manyKnobsReason ? 'note' : 'error';
  return [{ severity, code: 'manyKnobs', step, knobs }];
}

function checkStart({ steps, startStep, startReason }: Ladder): LadderFinding[] {
  if (!Number.isInteger(startStep) || startStep < 1 || startStep > steps.length) {
    return [{ severity: 'error', code: 'startOffLadder', step: startStep, count: steps.length }];
  }
  const atEnd = startStep === 1 || startStep === steps.length;
  return atEnd && !startReason ? [{ severity: 'error', code: 'startAtEnd', step: startStep }] : [];
}

function checkRises(knobs: readonly TaskKnob[], { steps }: Ladder): LadderFinding[] {
  const demands = steps.map((step) => demandOf(knobs, step.grade));
  const rises = demands.slice(1).map((demand, index) => demand - demands[index]!);
  if (rises.length < 3) return [];
  const sorted = [...rises].sort((a, b) => a - b);
  const median = (sorted[Math.floor((sorted.length - 1) / 2)]! + sorted[Math.ceil((sorted.length - 1) / 2)]!) / 2;
  if (median <= 0) return [];
  return rises.flatMap((rise, index) =>
    rise > UNEVEN * median
      ? [{ severity: rise > BIG_JUMP * median ? 'warning' : 'note', code: 'bigJump', step: index + 2, times: rise / median } as const]
      : [],
  );
}

function checkIdle(knobs: readonly TaskKnob[], { steps }: Ladder): LadderFinding[] {
  if (steps.length < 2) return [];
  const idle = knobs.filter(({ knob }) => new Set(steps.map((step) => step.grade[knob] ?? 0)).size === 1);
  return idle.map(({ knob }) => ({ severity: 'note', code: 'idleKnob', step: 1, knob }));
}
