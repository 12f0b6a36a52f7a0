import { lpText } from './lpText';
import type { PlanModel } from './planModel';
import type { Solve, Solved } from './solving';

/** As much of HiGHS as we need: a problem in the LP format in, its answer out; from a worker, so that nobody waits on its thread. */
export type AskHighs = (problem: string, options: Readonly<Record<string, number | string | boolean>>) => Promise<HighsAnswer>;

export interface HighsAnswer {
  readonly Status: string;
  readonly ObjectiveValue: number;
  readonly Columns: Readonly<Record<string, { readonly Primal?: number }>>;
}

const SECONDS = 10;
/** The same answer for the same data, and the best one. */
const OPTIONS = { mip_rel_gap: 0, mip_abs_gap: 1e-6, random_seed: 1, output_flag: false } as const;

/** A solver that asks HiGHS. @param seconds after which the best week so far is taken */
export function solverBy(ask: AskHighs, seconds = SECONDS): Solve {
  return async (model) => {
    const answer = await ask(lpText(model), { ...OPTIONS, time_limit: seconds });
    return readAnswer(model, answer, async () => (await ask(lpText(model, { isWhole: false }), OPTIONS)).ObjectiveValue);
  };
}

async function readAnswer(model: PlanModel, answer: HighsAnswer, relaxed: () => Promise<number>): Promise<Solved> {
  const nothing = { objective: 0, bound: 0, values: [] };
  if (answer.Status === 'Infeasible') return { status: 'none', ...nothing };
  const values = model.variables.map(({ name }) => answer.Columns[name]?.Primal ?? 0);
  const isBest = answer.Status === 'Optimal';
  const isFound = isBest || (answer.Status === 'Time limit reached' && model.rows.every((row) => keeps(row, values)));
  if (!isFound) return { status: 'noTime', ...nothing };
  // Adding 0 turns a negative zero into a plain one.
  const objective = answer.ObjectiveValue + 0;
  // Relaxing each day to any share between 0 and 1 can only improve a week, which gives the bound where time ran out.
  return { status: isBest ? 'best' : 'good', objective, bound: isBest ? objective : await relaxed(), values };
}

const CLOSE = 1e-6;

function keeps({ terms, sense, bound }: PlanModel['rows'][number], values: readonly number[]): boolean {
  const sum = terms.reduce((total, [variable, factor]) => total + factor * values[variable]!, 0);
  return (sense === '<=' || sum >= bound - CLOSE) && (sense === '>=' || sum <= bound + CLOSE);
}
