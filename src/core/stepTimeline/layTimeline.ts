import { requireAbove, requireAtLeast } from '../whole';
import type { Outcome } from '../reports';

export interface TimelineInput {
  /** Demand of each step of the ladder, easiest first; must not fall. At least one. */
  readonly demands: readonly number[];
  /** Days spent at each step so far. */
  readonly daysSpent: readonly number[];
  /** 1-based */
  readonly currentStep: number;
  /** Steps that the family may choose between, 1-based, both included. */
  readonly choose?: { readonly from: number; readonly to: number } | undefined;
  /** Outcomes of the reported sessions at each step, oldest first. */
  readonly outcomes: readonly (readonly Outcome[])[];
  readonly size: TimelineSize;
}

export interface TimelineSize {
  readonly width: number;
  readonly height: number;
  /** Room above the top tread (for the peg) and below the floor (bracket and pips); 0 leaves them out. */
  readonly headroom: number;
  readonly bracketRoom: number;
  readonly pipRoom: number;
  /** How high the first tread lies, as a share of the room for the stairs, 0 to 1. */
  readonly footShare: number;
  readonly pipPitch: number;
}

export interface StepOutcomes {
  readonly step: number;
  readonly x: number;
  readonly width: number;
  /** Top of the tread; y grows downwards. */
  readonly y: number;
  readonly state: 'climbed' | 'here' | 'coming';
}

export interface TimelineDrawing {
  readonly outcomesPerStep: readonly StepOutcomes[];
  readonly floorY: number;
  readonly peg: { readonly x: number; readonly y: number };
  readonly bracket: { readonly fromX: number; readonly toX: number; readonly y: number } | null;
  readonly pips: readonly { readonly step: number; readonly x: number; readonly y: number; readonly outcome: Outcome }[];
  /** Sessions that have no room under their tread, by step: the oldest are left out. */
  readonly pipsLeftOut: readonly number[];
}

/** A tread never shrinks under this share of an even one. */
const LEAST_SHARE = 0.65;
/** A long stay widens a tread up to this many days' worth. */
const MOST_DAYS = 40;

/**
 * Lays out a flight: treads as wide as the days spent there, rising as the demand grows, a peg on today's step, a bracket
 * round the steps that the family may choose, pips for sessions. Screen, paper and phone draw the same numbers.
 * @throws RangeError for an empty ladder, a step off it, a demand that falls, and numbers that are none.
 */
export function layTimeline(input: TimelineInput): TimelineDrawing {
  const { demands, currentStep, size } = input;
  refuseBadLadder(input);
  const floorY = size.height - size.bracketRoom - size.pipRoom;
  const widths = stairWidths(input);
  const heights = stairHeights(input, floorY - size.headroom);
  let x = 0;
  const outcomesPerStep = demands.map((_, index): StepOutcomes => {
    const step = index + 1;
    const stepOutcomes: StepOutcomes = {
      step,
      x,
      width: widths[index]!,
      y: floorY - heights[index]!,
      state: step < currentStep ? 'climbed' : step === currentStep ? 'here' : 'coming',
    };
    x += stepOutcomes.width;
    return stepOutcomes;
  });
  const here = outcomesPerStep[currentStep - 1]!;
  return {
    outcomesPerStep,
    floorY,
    peg: { x: here.x + here.width / 2, y: here.y },
    bracket: layBracket(input, outcomesPerStep, floorY),
    ...layPips(input, outcomesPerStep),
  };
}

function refuseBadLadder({ demands, currentStep, daysSpent, size }: TimelineInput): void {
  if (demands.length === 0) throw new RangeError('A flight needs at least one step');
  if (!Number.isInteger(currentStep) || currentStep < 1 || currentStep > demands.length) {
    throw new RangeError(`Step ${currentStep} is not on a ladder of ${demands.length}`);
  }
  if (!demands.every(Number.isFinite)) throw new RangeError(`Every demand must be a number: ${demands.join(', ')}`);
  for (const days of daysSpent) requireAtLeast('daysSpent', days, 0);
  requireAbove('width', size.width, 0);
  requireAbove('height', size.height, 0);
  if (demands.some((demand, index) => index > 0 && demand < demands[index - 1]!)) {
    throw new RangeError('The demand of a ladder must not fall');
  }
}

function stairWidths({ demands, daysSpent, size }: TimelineInput): number[] {
  const even = size.width / demands.length;
  const least = even * LEAST_SHARE;
  const days = demands.map((_, index) => Math.min(MOST_DAYS, Math.max(0, daysSpent[index] ?? 0)));
  const total = days.reduce((sum, each) => sum + each, 0);
  const spare = size.width - least * demands.length;
  return days.map((each) => least + (total === 0 ? spare / demands.length : (spare * each) / total));
}

function stairHeights({ demands, size }: TimelineInput, room: number): number[] {
  const first = demands[0]!;
  const rise = demands.at(-1)! - first;
  const foot = room * size.footShare;
  return demands.map((demand) => foot + (rise === 0 ? 0 : ((demand - first) / rise) * (room - foot)));
}

function layBracket({ choose, size }: TimelineInput, outcomesPerStep: readonly StepOutcomes[], floorY: number): TimelineDrawing['bracket'] {
  const from = choose && outcomesPerStep[choose.from - 1];
  const to = choose && outcomesPerStep[choose.to - 1];
  if (!from || !to || size.bracketRoom === 0) return null;
  return { fromX: from.x, toX: to.x + to.width, y: floorY + size.bracketRoom * 0.6 };
}

function layPips(
  { outcomes, size }: TimelineInput,
  outcomesPerStep: readonly StepOutcomes[],
): Pick<TimelineDrawing, 'pips' | 'pipsLeftOut'> {
  if (size.pipRoom === 0) return { pips: [], pipsLeftOut: outcomes.map((list) => list.length) };
  const y = size.height - size.pipRoom / 2;
  const pips = outcomesPerStep.flatMap((stepOutcomes, index) => {
    const shown = (outcomes[index] ?? []).slice(-roomFor(stepOutcomes, size.pipPitch));
    return shown.map((outcome, place) => ({ step: stepOutcomes.step, x: stepOutcomes.x + size.pipPitch * (place + 0.5), y, outcome }));
  });
  const pipsLeftOut = outcomesPerStep.map((stepOutcomes, index) =>
    Math.max(0, (outcomes[index] ?? []).length - roomFor(stepOutcomes, size.pipPitch)),
  );
  return { pips, pipsLeftOut };
}

function roomFor(stepOutcomes: StepOutcomes, pitch: number): number {
  return Math.max(1, Math.floor(stepOutcomes.width / pitch));
}
