import loadHighs from 'highs';
import { HighsSolver } from '@/outside/highsSolver';
import { lpText, planModel, planWeek, type PlanTask, type PlanInput } from '@/core/planner';
import { seededRandom } from '@/core/random';
import { median } from './timing';

export interface PlannerFigures {
  /** Milliseconds for one child with twelve tasks in the thread. */
  readonly oneChild: number;
  /** Sixty children through the thread, and the same models by HiGHS alone. */
  readonly sixty: number;
  readonly bare: number;
  readonly megabytes: number;
}

const CHILDREN = 60;
const TASKS = 12;
const RUNS = 3;

/** Weeks of twelve tasks, six days and two goals, by chance that is always the same. */
function optionsOf(seed: number): PlanInput {
  const chance = seededRandom(seed);
  const whole = (from: number, to: number) => from + Math.floor(chance() * (to - from + 1));
  const parts = ['warmUp', 'tableWork', 'tableWork', 'writing', 'selfCare'] as const;
  const tasks = Array.from({ length: TASKS }, (_, index): PlanTask => ({
    taskId: index + 1,
    part: parts[index % parts.length]!,
    skill: (['bilateralCoordination', 'handStrength', 'handWarmUp', 'wristExtension'] as const)[index % 4]!,
    minutes: whole(2, 10) / 2,
    chores: whole(0, 4) / 2,
    days: { least: 2, most: 5 },
    grip: chance() < 0.3 ? { left: 0, right: whole(5, 15) } : { left: 0, right: 0 },
    isNew: chance() < 0.4,
    isUnderWay: chance() < 0.4,
    family: chance() < 0.3 ? `f${whole(1, 3)}` : null,
    gives: index % 3 === 0 ? [] : [{ goal: index % 2, amount: whole(4, 12) }],
    packs: chance() < 0.4 ? [`thing${whole(1, 5)}`] : [],
    isLiked: chance() < 0.2,
    isOfTheme: false,
    fit: whole(3, 10) / 10,
  }));
  return {
    days: [1, 2, 3, 4, 5, 6],
    budget: whole(10, 20),
    tasks,
    goals: [
      { goalId: 1, asked: 40 },
      { goalId: 2, asked: 30 },
    ],
    parts: ['warmUp', 'tableWork'],
    mostNew: 2,
    gripCap: 40,
    pinned: {},
    banned: [],
    moreOf: [],
    packedBesides: {},
  };
}

/** The planner beside HiGHS alone on the same models, in one run. */
export async function measurePlanner(): Promise<PlannerFigures> {
  const wishes = Array.from({ length: CHILDREN }, (_, seed) => optionsOf(seed + 1));
  const solver = new HighsSolver();
  const highs = await loadHighs();
  await planWeek(wishes[0]!, solver.solve);
  const timed = async (work: () => Promise<unknown>) => {
    const begun = performance.now();
    await work();
    return performance.now() - begun;
  };
  const ones: number[] = [];
  const sixties: number[] = [];
  const bares: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    for (const options of wishes.slice(0, 10)) ones.push(await timed(() => planWeek(options, solver.solve)));
    sixties.push(
      await timed(async () => {
        for (const options of wishes) await planWeek(options, solver.solve);
      }),
    );
    const texts = wishes.map((options) => lpText(planModel(options)));
    bares.push(
      await timed(async () => {
        for (const text of texts) highs.solve(text, { mip_rel_gap: 0, random_seed: 1, output_flag: false });
      }),
    );
  }
  const megabytes = process.memoryUsage().rss / 1e6;
  await solver.close();
  return { oneChild: median(ones), sixty: median(sixties), bare: median(bares), megabytes };
}
