import type { PlanModel } from './planModel';
import type { Solve, Solved } from './solving';
import { PLAN_RULES, type PlanRule, type PlanInput } from './planInput';
import { planModel } from './planModel';

/** A week that keeps all rules. */
export interface WeekPlan {
  /** ISO weekdays of each task that is placed, by the order of the wish. */
  readonly placed: readonly { readonly taskId: number; readonly weekdays: readonly number[] }[];
  /** Amount for each goal, in the order of the wish: only the amount asked for counts as a gain, but all of it is reported. */
  readonly given: readonly { readonly goalId: number; readonly asked: number; readonly given: number }[];
  readonly minutes: Readonly<Record<number, number>>;
  readonly packs: readonly string[];
  readonly objective: number;
  readonly bound: number;
  /** How much better a week could be at most, as a share of this one; 0 where it is the best. */
  readonly gap: number;
}

export type PlanAnswer =
  | { readonly kind: 'week'; readonly plan: WeekPlan }
  /** A smallest set of rules that can't hold together. */
  | { readonly kind: 'impossible'; readonly rules: readonly PlanRule[] }
  | { readonly kind: 'noTime' };

/** The best week for a wish, or the rules that stand in each other's way. */
export async function planWeek(options: PlanInput, solve: Solve): Promise<PlanAnswer> {
  const model = planModel(options);
  const solved = await solve(model);
  if (solved.status === 'noTime') return { kind: 'noTime' };
  if (solved.status === 'none') return { kind: 'impossible', rules: await conflictOf(model, solve) };
  return { kind: 'week', plan: readPlan(options, model, solved) };
}

/** The week that a solution stands for. */
export function readPlan(options: PlanInput, model: PlanModel, { values, objective, bound }: Solved): WeekPlan {
  const on = new Map<number, number[]>();
  model.variables.forEach(({ means }, place) => {
    if (means.kind !== 'onDay' || values[place]! < 0.5) return;
    on.set(means.taskId, [...(on.get(means.taskId) ?? []), means.weekday].sort());
  });
  const placed = options.tasks.flatMap(({ taskId }) => (on.has(taskId) ? [{ taskId, weekdays: on.get(taskId)! }] : []));
  const taskOf = new Map(options.tasks.map((task) => [task.taskId, task]));
  return {
    placed,
    given: options.goals.map(({ goalId, asked }, goal) => ({
      goalId,
      asked,
      given: placed.reduce(
        (sum, { taskId, weekdays }) => sum + weekdays.length * (taskOf.get(taskId)!.gives.find((gift) => gift.goal === goal)?.amount ?? 0),
        0,
      ),
    })),
    minutes: Object.fromEntries(
      options.days.map((day) => [
        day,
        placed.filter(({ weekdays }) => weekdays.includes(day)).reduce((sum, { taskId }) => sum + taskOf.get(taskId)!.minutes, 0),
      ]),
    ),
    packs: [...new Set(placed.flatMap(({ taskId }) => taskOf.get(taskId)!.packs))].sort(),
    objective,
    bound,
    gap: Math.max(0, bound - objective) / Math.max(1, Math.abs(objective)),
  };
}

/**
 * A smallest set of rules that can't hold together: all sets of one rule, then of two, and so on, till one is found that no
 * week keeps. Alone with the ties between variables it can't be kept; with any rule of it left out it can.
 * @returns rules in the order of PLAN_RULES; empty where the model can be kept
 */
export async function conflictOf(model: PlanModel, solve: Solve): Promise<PlanRule[]> {
  const present = PLAN_RULES.filter((rule) => model.rows.some((row) => row.rule === rule));
  for (let size = 1; size <= present.length; size += 1)
    for (const rules of subsets(present, size)) if (!(await canHold(model, rules, solve))) return rules;
  return [];
}

/** True where a week keeps these rules; what weeks are good for does not matter. */
async function canHold(model: PlanModel, rules: readonly PlanRule[], solve: Solve): Promise<boolean> {
  return (await solve(only(model, rules))).status !== 'none';
}

function only({ variables, rows }: PlanModel, rules: readonly PlanRule[]): PlanModel {
  return {
    variables: variables.map((variable) => ({ ...variable, gain: 0 })),
    rows: rows.filter(({ rule }) => rule === null || rules.includes(rule)),
  };
}

function* subsets<Item>(items: readonly Item[], size: number, from = 0): Generator<Item[]> {
  if (size === 0) return yield [];
  for (let place = from; place <= items.length - size; place += 1)
    for (const rest of subsets(items, size - 1, place + 1)) yield [items[place]!, ...rest];
}

/**
 * Another good week: the best of those in which other tasks are placed than in the weeks before, at least two of them. Null where there is none.
 * @param shown the weeks that were seen
 */
export async function anotherWeek(options: PlanInput, shown: readonly Pick<WeekPlan, 'placed'>[], solve: Solve): Promise<WeekPlan | null> {
  const model = planModel(options);
  const others = shown.map(({ placed }, index) => {
    const was = new Set(placed.map(({ taskId }) => taskId));
    const terms = model.variables.flatMap(({ means }, place) =>
      means.kind === 'placed' ? [[place, was.has(means.taskId) ? -1 : 1] as const] : [],
    );
    const least = Math.min(LEAST_OTHERS, terms.length);
    return { name: `another_${index}`, rule: null, terms, sense: '>=' as const, bound: least - was.size };
  });
  const changed = { ...model, rows: [...model.rows, ...others] };
  const solved = await solve(changed);
  return solved.status === 'none' || solved.status === 'noTime' ? null : readPlan(options, model, solved);
}
const LEAST_OTHERS = 2;

/** Why a task is not in a week. */
export type WhyNot =
  /** With it, these rules can't hold together: each of them alone could be given up for it. */
  | { readonly kind: 'rules'; readonly rules: readonly PlanRule[] }
  /** It could stand, and the week would be worse: what would go for it, and what goals would get less. */
  | {
      readonly kind: 'worse';
      readonly by: number;
      readonly instead: WeekPlan;
      readonly out: readonly number[];
      readonly less: readonly { readonly goalId: number; readonly by: number }[];
    };

/** Forces a task into the week and looks what breaks. @param plan the best week without it */
export async function whyNot(options: PlanInput, plan: WeekPlan, taskId: number, solve: Solve): Promise<WhyNot> {
  const model = planModel({ ...options, banned: options.banned.filter((each) => each !== taskId) });
  const place = model.variables.findIndex(({ means }) => means.kind === 'placed' && means.taskId === taskId);
  if (place < 0) throw new RangeError(`Task ${taskId} is none of the wish`);
  const forced: PlanModel = { ...model, rows: [...model.rows, { name: 'forced', rule: null, terms: [[place, 1]], sense: '=', bound: 1 }] };
  const solved = await solve(forced);
  if (solved.status === 'none') return { kind: 'rules', rules: await conflictOf(forced, solve) };
  const instead = readPlan(options, model, solved);
  const stays = new Set(instead.placed.map((each) => each.taskId));
  return {
    kind: 'worse',
    by: Math.max(0, plan.objective - solved.objective),
    instead,
    out: plan.placed.filter((each) => !stays.has(each.taskId)).map((each) => each.taskId),
    less: plan.given.flatMap(({ goalId, asked, given }, goal) => {
      const by = Math.min(asked, given) - Math.min(asked, instead.given[goal]!.given);
      return by > 1e-6 ? [{ goalId, by }] : [];
    }),
  };
}
