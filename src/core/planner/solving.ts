import type { PlanModel } from './planModel';

/** Result of a solver. */
export interface Solved {
  /** `good`: a week was found, and time ran out before it was shown to be the best. */
  readonly status: 'best' | 'good' | 'none' | 'noTime';
  /** The sum of the gains; 0 where there is no week. */
  readonly objective: number;
  /** No week of this model can have more. */
  readonly bound: number;
  /** Indexed by variable; empty where no week is possible. */
  readonly values: readonly number[];
}

/** Anything that solves a model: in a worker of the browser, in a thread of the server, or a solver to compare with. */
export type Solve = (model: PlanModel) => Promise<Solved>;
