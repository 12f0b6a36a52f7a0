import { courseOf, trialFigures, type Families, type TrialOptions } from './trial';

/** Figures of a workplace's own log about its families, without names: shares and means over students. */
export interface LogFigures {
  readonly children: number;
  /** Told sessions a planned day, 0 to 1. */
  readonly practises: number;
  /** Over children, the mean share of their sessions that were reached, and that were struggled. */
  readonly reachedShare: number;
  readonly struggledShare: number;
  readonly changesAMonth: number;
}

export const LOG_FIGURES = ['reachedShare', 'struggledShare', 'changesAMonth'] as const;
export type LogFigure = (typeof LOG_FIGURES)[number];

const HEAD_STARTS = [-0.4, -0.2, 0, 0.2, 0.4, 0.6, 0.8, 1, 1.2];
const GROWTHS = [0.008, 0.015, 0.025, 0.04, 0.06, 0.09];
/** Enough to see which of the families is nearest; the check afterwards is made with more. */
const FIT_CHILDREN = 120;
/** Difference in each figure that counts as much as in the others. Our own choice. */
const SCALES: Readonly<Record<LogFigure, number>> = { reachedShare: 0.05, struggledShare: 0.05, changesAMonth: 0.4 };

type FitOptions = Omit<TrialOptions, 'families' | 'children'>;

/**
 * Families whose simulated log looks most like a workplace's own: how often they practise is taken from it; what children begin with and by how much
 * they grow is looked for over a grid (the method of simulated moments, from memory: McFadden 1989). The log holds what was told alone, so these
 * families tell all that they do.
 * @param onProgress told which share is done, 0 to 1
 */
export function fitFamilies(log: LogFigures, options: FitOptions, onProgress: (share: number) => void = () => {}): Families {
  let best: { readonly families: Families; readonly distance: number } | null = null;
  let done = 0;
  for (const headStart of HEAD_STARTS)
    for (const growth of GROWTHS) {
      const families: Families = { practises: log.practises, tells: 1, rosy: 0, headStart, spread: 0.4, growth };
      const figures = simulatedLog({ ...options, families, children: FIT_CHILDREN });
      const distance = LOG_FIGURES.reduce((sum, name) => sum + ((figures[name] - log[name]) / SCALES[name]) ** 2, 0);
      if (!best || distance < best.distance) best = { families, distance };
      done += 1;
      onProgress(done / (HEAD_STARTS.length * GROWTHS.length));
    }
  return best!.families;
}

/** The figures of a log that simulated families would have left. */
export function simulatedLog(options: TrialOptions): Readonly<Record<LogFigure, number>> {
  const figures = trialFigures(Array.from({ length: options.children }, (_, index) => courseOf(options, index)));
  return {
    reachedShare: figures.reachedShare.mean,
    struggledShare: figures.struggledShare.mean,
    changesAMonth: figures.changesAMonth.mean,
  };
}

export interface FitCheck {
  readonly figure: LogFigure;
  readonly observed: number;
  /** Between these lie the figures of all simulated workplaces. */
  readonly low: number;
  readonly high: number;
  readonly fits: boolean;
}

/** With 39 of them, a further one would lie between the lowest and the highest 38 of 40 times: 95 of 100. */
const WORKPLACES = 39;

/**
 * Whether a workplace's own figures could have come from these families: each is held against those of simulated workplaces of the same size.
 * In the manner of posterior predictive checks (Gelman et al., Bayesian Data Analysis, from memory), without a posterior.
 */
export function checkFit(log: LogFigures, families: Families, options: FitOptions): FitCheck[] {
  const children = Math.max(1, Math.min(log.children, MOST_IN_A_CHECK));
  const all = Array.from({ length: WORKPLACES }, (_, index) =>
    simulatedLog({ ...options, families, children, seed: options.seed + 1 + index }),
  );
  return LOG_FIGURES.map((figure) => {
    const values = all.map((each) => each[figure]).sort((one, other) => one - other);
    const [low, high] = [values[0]!, values.at(-1)!];
    return { figure, observed: log[figure], low, high, fits: log[figure] >= low && log[figure] <= high };
  });
}

const MOST_IN_A_CHECK = 60;
