import { CANDIDATES, runTrial, USUAL_FAMILIES } from '@/core/simulation';
import { median } from './timing';

export interface LabFigures {
  /** Child-sessions a second, at so many children and at four times as many: the median of the runs. */
  readonly few: number;
  readonly many: number;
}

const CHILDREN = 250;
const RUNS = 3;

/** Simulated children under a rule, on one thread: four times as many take four times as long. */
export function measureLab(): LabFigures {
  const rate = (children: number) =>
    median(
      Array.from({ length: RUNS }, (_, run) => {
        const begun = performance.now();
        const { sessions } = runTrial({
          rule: CANDIDATES.row3,
          order: 'leastToMost',
          demands: [0, 0.6, 1.2, 1.8, 2.4, 3],
          startStep: 1,
          target: 10,
          families: USUAL_FAMILIES,
          children,
          weeks: 40,
          seed: run,
        });
        return (sessions / (performance.now() - begun)) * 1000;
      }),
    );
  // The first run warms up the compiler.
  rate(CHILDREN);
  return { few: rate(CHILDREN), many: rate(4 * CHILDREN) };
}
