import { compareGrades, type Grade, type KnobId, type TaskKnob } from '../knobs';

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

/** `step` is 1-based and names the harder one of two neighbours. */
export type LadderFinding =
  | { readonly severity: 'error'; readonly code: 'tooFewSteps'; readonly step: 1; readonly count: number }
  | { readonly severity: 'error'; readonly code: 'unknownKnob'; readonly step: number; readonly knob: KnobId }
  | { readonly severity: 'error'; readonly code: 'levelOutOfRange'; readonly step: number; readonly knob: KnobId; readonly level: number; readonly levels: number }
  | { readonly severity: 'error'; readonly code: 'equalSteps' | 'easierStep' | 'mixedStep'; readonly step: number; readonly knobs: readonly KnobId[] }
  | { readonly severity: 'error' | 'warning' | 'note'; readonly code: 'manyKnobs'; readonly step: number; readonly knobs: readonly KnobId[] }
  | { readonly severity: 'error'; readonly code: 'startOffLadder'; readonly step: number; readonly count: number }
  | { readonly severity: 'error'; readonly code: 'startAtEnd'; readonly step: number };

/**
 * Everything that is wrong with a ladder, in the order of its steps. Neighbours must get harder (equal, easier and mixed
 * are errors); one knob a step is the rule, two a warning, three an error that a reason turns into a note.
 * Source: common practice, no published source.
 */
export function checkLadder(knobs: readonly TaskKnob[], ladder: Ladder): LadderFinding[] {
  const findings: LadderFinding[] = [];
  if (ladder.steps.length < 2) {
    findings.push({ severity: 'error', code: 'tooFewSteps', step: 1, count: ladder.steps.length });
  }
  ladder.steps.forEach((step, index) => {
    findings.push(...checkLevels(knobs, step.grade, index + 1));
    const before = ladder.steps[index - 1];
    if (before) findings.push(...checkNeighbours(before, step, index + 1));
  });
  findings.push(...checkStart(ladder));
  return findings;
}

function checkLevels(knobs: readonly TaskKnob[], grade: Grade, step: number): LadderFinding[] {
  const findings: LadderFinding[] = [];
  for (const [knob, level] of Object.entries(grade) as [KnobId, number][]) {
    const known = knobs.find((candidate) => candidate.knob === knob);
    if (!known) findings.push({ severity: 'error', code: 'unknownKnob', step, knob });
    else if (!Number.isInteger(level) || level < 0 || level >= known.levels.length) {
      findings.push({ severity: 'error', code: 'levelOutOfRange', step, knob, level, levels: known.levels.length });
    }
  }
  return findings;
}

function checkNeighbours(before: LadderStep, after: LadderStep, step: number): LadderFinding[] {
  const { relation, moved } = compareGrades(before.grade, after.grade);
  const knobs = moved.map((move) => move.knob);
  if (relation === 'equal') return [{ severity: 'error', code: 'equalSteps', step, knobs }];
  if (relation === 'easier') return [{ severity: 'error', code: 'easierStep', step, knobs }];
  if (relation === 'mixed') return [{ severity: 'error', code: 'mixedStep', step, knobs }];
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
