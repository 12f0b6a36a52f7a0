import loadHighs from 'highs';
import { solve as solveByYalps, type Constraint, type Model } from 'yalps';
import { seededRandom } from '../random';
import {
  anotherWeek,
  lpText,
  planModel,
  planWeek,
  solverBy,
  whyNot,
  type HighsAnswer,
  type PlanModel,
  type PlanTask,
  type PlanInput,
  type Solve,
} from '.';
import { conflictOf } from './weekPlan';
import { draws } from '../../../tests/fixtures/deep';

let solve: Solve;
beforeAll(async () => {
  const highs = await loadHighs();
  solve = solverBy(async (problem, options) => highs.solve(problem, options) as unknown as HighsAnswer);
});

const task = (taskId: number, change: Partial<PlanTask> = {}): PlanTask => ({
  taskId,
  part: 'tableWork',
  skill: 'bilateralCoordination',
  minutes: 4,
  chores: 1,
  days: { least: 2, most: 5 },
  grip: { left: 0, right: 0 },
  isNew: false,
  isUnderWay: false,
  family: null,
  gives: [],
  packs: [],
  isLiked: false,
  isOfTheme: false,
  fit: 0.5,
  ...change,
});
const warmUp = (taskId: number, change: Partial<PlanTask> = {}) =>
  task(taskId, { part: 'warmUp', skill: 'handWarmUp', minutes: 2, chores: 0, ...change });
const options = (change: Partial<PlanInput> = {}): PlanInput => ({
  days: [1, 2, 3, 4, 5],
  budget: 15,
  tasks: [],
  goals: [],
  parts: [],
  mostNew: 2,
  gripCap: 40,
  pinned: {},
  banned: [],
  moreOf: [],
  packedBesides: {},
  ...change,
});
const week = async (given: PlanInput) => {
  const answer = await planWeek(given, solve);
  if (answer.kind !== 'week') throw new Error(JSON.stringify(answer));
  return answer.plan;
};
const daysOf = (plan: Awaited<ReturnType<typeof week>>, taskId: number) =>
  plan.placed.find((each) => each.taskId === taskId)?.weekdays ?? [];

/** The best sum of gains by trying every 0 and 1; what is not 0 or 1 is set as high as its rows let it. */
function byTrying({ variables, rows }: PlanModel): number | null {
  const wholes = variables.flatMap(({ isBinary }, place) => (isBinary ? [place] : []));
  if (wholes.length > 15) throw new RangeError(`${wholes.length} are too many to try`);
  let best: number | null = null;
  for (let mask = 0; mask < 2 ** wholes.length; mask += 1) {
    const values = variables.map(() => 0);
    wholes.forEach((place, bit) => (values[place] = (mask >> bit) & 1));
    for (const [place, variable] of variables.entries()) {
      if (variable.isBinary) continue;
      const limits = rows.flatMap(({ terms, bound }) => {
        const own = terms.find(([each]) => each === place);
        return own
          ? [(bound - terms.reduce((sum, [each, factor]) => sum + (each === place ? 0 : factor * values[each]!), 0)) / own[1]]
          : [];
      });
      values[place] = Math.max(0, Math.min(variable.most, ...limits));
    }
    const holds = rows.every(({ terms, sense, bound }) => {
      const sum = terms.reduce((total, [place, factor]) => total + factor * values[place]!, 0);
      return (sense === '>=' || sum <= bound + 1e-9) && (sense === '<=' || sum >= bound - 1e-9);
    });
    if (!holds) continue;
    const gain = variables.reduce((sum, variable, place) => sum + variable.gain * values[place]!, 0);
    if (best === null || gain > best) best = gain;
  }
  return best;
}

/** The same model for an independent solver of the registry. */
function byYalps({ variables, rows }: PlanModel): { status: string; result: number } {
  const constraints: Record<string, Constraint> = {};
  for (const { name, sense, bound } of rows)
    constraints[name] = sense === '<=' ? { max: bound } : sense === '>=' ? { min: bound } : { equal: bound };
  for (const { name, most, isBinary } of variables) if (!isBinary) constraints[`most_${name}`] = { max: most };
  const columns = Object.fromEntries(
    variables.map(({ name, gain, isBinary }, place) => [
      name,
      {
        gain,
        ...(!isBinary && { [`most_${name}`]: 1 }),
        ...Object.fromEntries(rows.flatMap((row) => row.terms.filter(([each]) => each === place).map(([, factor]) => [row.name, factor]))),
      },
    ]),
  );
  const model: Model = {
    direction: 'maximize',
    objective: 'gain',
    constraints,
    variables: columns,
    binaries: variables.filter(({ isBinary }) => isBinary).map(({ name }) => name),
  };
  return solveByYalps(model, { tolerance: 0, timeout: 20_000, maxIterations: Infinity });
}

/** A wish by chance, of so many tasks and days. */
function anyInput(seed: number, tasks: number, days: number): PlanInput {
  const chance = seededRandom(seed);
  const pick = <Item>(items: readonly Item[]) => items[Math.floor(chance() * items.length)]!;
  const goals = [
    { goalId: 11, asked: 10 + Math.floor(chance() * 30) },
    { goalId: 12, asked: 10 + Math.floor(chance() * 30) },
  ];
  return options({
    days: [1, 2, 3, 4, 5, 6, 7].slice(0, days),
    budget: 6 + Math.floor(chance() * 12),
    goals,
    parts: chance() < 0.5 ? ['warmUp'] : [],
    mostNew: Math.floor(chance() * 3),
    gripCap: 15 + Math.floor(chance() * 20),
    banned: chance() < 0.2 ? [2] : [],
    moreOf: chance() < 0.3 ? [1] : [],
    packedBesides: { tongs: 3 },
    tasks: Array.from({ length: tasks }, (_, index) =>
      task(index + 1, {
        part: index === 0 ? 'warmUp' : pick(['warmUp', 'tableWork', 'writing', 'selfCare'] as const),
        skill: pick(['bilateralCoordination', 'handStrength', 'handWarmUp'] as const),
        minutes: 1 + Math.floor(chance() * 12) / 2,
        chores: Math.floor(chance() * 4) / 2,
        days: { least: 1 + Math.floor(chance() * 2), most: 2 + Math.floor(chance() * 4) },
        grip: chance() < 0.4 ? { left: Math.floor(chance() * 2) * 10, right: 5 + Math.floor(chance() * 15) } : { left: 0, right: 0 },
        isNew: chance() < 0.4,
        isUnderWay: chance() < 0.4,
        family: chance() < 0.3 ? 'tongs' : null,
        gives: [{ goal: index % 2, amount: 2 + Math.floor(chance() * 8) }],
        packs: chance() < 0.4 ? [pick(['tongs', 'washers'])] : [],
        isLiked: chance() < 0.3,
        isOfTheme: chance() < 0.3,
        fit: Math.round(chance() * 10) / 10,
      }),
    ),
  });
}

describe('the best week', () => {
  it('is the best of all weeks there are: small cases, every one of them tried', async () => {
    let found = 0;
    for (let seed = 1; seed <= draws(20, 80); seed += 1) {
      const model = planModel(anyInput(seed, 2 + (seed % 2), 2));
      if (model.variables.filter(({ isBinary }) => isBinary).length > 15) continue;
      const tried = byTrying(model);
      const solved = await solve(model);
      expect([seed, solved.status]).toEqual([seed, tried === null ? 'none' : 'best']);
      if (tried === null) continue;
      found += 1;
      expect(solved.objective).toBeCloseTo(tried, 5);
      expect(solved.bound).toBeCloseTo(tried, 5);
    }
    expect(found).toBeGreaterThan(draws(4, 15));
  });

  it('is as good as what an independent solver finds (yalps, objective against objective)', async () => {
    let found = 0;
    for (let seed = 100; seed < 100 + draws(6, 30); seed += 1) {
      const model = planModel(anyInput(seed, 4, 3));
      const other = byYalps(model);
      const solved = await solve(model);
      expect([seed, solved.status === 'none']).toEqual([seed, other.status === 'infeasible']);
      if (other.status !== 'optimal') continue;
      found += 1;
      // Adding 0 makes 0 of -0.
      expect([seed, Math.round(solved.objective * 1e4) + 0]).toEqual([seed, Math.round(other.result * 1e4) + 0]);
    }
    expect(found).toBeGreaterThan(draws(3, 15));
  });

  it('solves the knapsack of the handbooks: 10, 20, 30 worth 60, 100, 120 under 50 are 220 (from memory; Dantzig 1957 has the problem)', async () => {
    const worth = [60, 100, 120];
    const model: PlanModel = {
      variables: worth.map((gain, place) => ({
        name: `v${place}`,
        means: { kind: 'placed', taskId: place },
        isBinary: true,
        most: 1,
        gain,
      })),
      rows: [
        {
          name: 'weight',
          rule: null,
          terms: [
            [0, 10],
            [1, 20],
            [2, 30],
          ],
          sense: '<=',
          bound: 50,
        },
      ],
    };
    expect(await solve(model)).toMatchObject({ status: 'best', objective: 220, values: [0, 1, 1] });
  });

  it('is the same for the same data, and in whatever order the tasks come as good', async () => {
    const given = anyInput(7, 8, 5);
    const [one, same] = [await planWeek(given, solve), await planWeek(given, solve)];
    expect(same).toEqual(one);
    const turned = await planWeek({ ...given, tasks: [...given.tasks].reverse() }, solve);
    if (one.kind !== 'week' || turned.kind !== 'week') throw new Error('no week');
    expect(turned.plan.objective).toBeCloseTo(one.plan.objective, 5);
  });
});

describe('every rule holds', () => {
  it(`over ${draws(40, 150)} random wishes, looked at in the week itself and not in the model`, async () => {
    let weeks = 0;
    for (let seed = 200; seed < 200 + draws(40, 150); seed += 1) {
      const given = anyInput(seed, 6, 5);
      const answer = await planWeek(given, solve);
      if (answer.kind !== 'week') continue;
      weeks += 1;
      const { placed } = answer.plan;
      const all = placed.map(({ taskId, weekdays }) => ({ ...given.tasks.find((each) => each.taskId === taskId)!, weekdays }));
      for (const day of given.days) {
        const today = all.filter(({ weekdays }) => weekdays.includes(day));
        expect(today.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(given.budget + 1e-6);
        if (today.some(({ part }) => part === 'writing')) expect(today.some(({ part }) => part === 'warmUp')).toBe(true);
        for (const hand of ['left', 'right'] as const) {
          const times = today.reduce((sum, { grip }) => sum + grip[hand], 0);
          expect(times).toBeLessThanOrEqual(given.gripCap);
          const next = all.filter(({ weekdays }) => weekdays.includes((day % 7) + 1)).reduce((sum, { grip }) => sum + grip[hand], 0);
          expect(Math.min(times, next)).toBe(0);
        }
      }
      for (const { weekdays, days } of all) {
        expect(weekdays.length).toBeGreaterThanOrEqual(days.least);
        expect(weekdays.length).toBeLessThanOrEqual(days.most);
      }
      expect(all.filter(({ isNew }) => isNew).length).toBeLessThanOrEqual(given.mostNew);
      expect(all.filter(({ family }) => family === 'tongs').length).toBeLessThanOrEqual(1);
      expect(all.some(({ taskId }) => given.banned.includes(taskId))).toBe(false);
      for (const part of given.parts) expect(all.some((each) => each.part === part)).toBe(true);
      expect(answer.plan.gap).toBeLessThan(1e-6);
    }
    expect(weeks).toBeGreaterThan(draws(26, 100));
  });

  it('a hand that gripped firmly rests, the other need not; Sunday is followed by Monday', async () => {
    const grip = (taskId: number, hand: 'left' | 'right') =>
      task(taskId, { grip: { left: 0, right: 0, [hand]: 10 }, gives: [{ goal: 0, amount: 10 }], days: { least: 1, most: 7 } });
    const given = options({ days: [1, 2, 3, 4, 5, 6, 7], goals: [{ goalId: 1, asked: 200 }], tasks: [grip(1, 'left'), grip(2, 'right')] });
    const plan = await week(given);
    expect(daysOf(plan, 1)).toHaveLength(3);
    expect(daysOf(plan, 2)).toHaveLength(3);
    for (const { weekdays } of plan.placed) expect(weekdays.some((day) => weekdays.includes((day % 7) + 1))).toBe(false);
  });

  it('what a therapist placed stays on her days, also where it breaks what holds for others', async () => {
    const tasks = [
      task(1, { family: 'f', days: { least: 2, most: 5 } }),
      task(2, { family: 'f' }),
      task(3, { isNew: true }),
      task(4, { isNew: true }),
    ];
    const plan = await week(options({ tasks, pinned: { 1: [4], 2: [1, 2] }, mostNew: 1 }));
    expect(daysOf(plan, 1)).toEqual([4]);
    expect(daysOf(plan, 2)).toEqual([1, 2]);
  });

  it('new tasks that a therapist placed take none of the new ones that the week may have', async () => {
    const serves = { isNew: true, gives: [{ goal: 0, amount: 10 }] };
    const given = {
      tasks: [task(1, { isNew: true }), task(2, { isNew: true }), task(3, serves)],
      goals: [{ goalId: 5, asked: 20 }],
      mostNew: 1,
    };
    expect(daysOf(await week(options({ ...given, pinned: { 1: [4], 2: [1, 2] } })), 3).length).toBeGreaterThan(0);
  });
});

describe('the wishes', () => {
  const goals = [{ goalId: 5, asked: 20 }];
  it('give the goal what it asks for, and no more than it needs chores for', async () => {
    const tasks = [task(1, { gives: [{ goal: 0, amount: 10 }] }), task(2, { fit: 0 })];
    const plan = await week(options({ tasks, goals }));
    expect(plan.given).toEqual([{ goalId: 5, asked: 20, given: 20 }]);
    expect(daysOf(plan, 1)).toHaveLength(2);
    expect(daysOf(plan, 2)).toEqual([]);
  });

  it.each([
    ['what is under way', { isUnderWay: true }],
    ['what is liked', { isLiked: true }],
    ['what is of the theme', { isOfTheme: true }],
    ['what fits better', { fit: 1 }],
    ['what needs less tidying up', { chores: 0 }],
  ])('of two that give the same, %s is taken', async (_, better) => {
    const one = { family: 'f', gives: [{ goal: 0, amount: 10 }] };
    const plan = await week(options({ tasks: [task(1, one), task(2, { ...one, ...better })], goals }));
    expect(plan.placed.map(({ taskId }) => taskId)).toEqual([2]);
  });

  it('take what is at home before what must be packed, and what is packed for others before what is not', async () => {
    const one = { family: 'f', gives: [{ goal: 0, amount: 10 }] };
    const packing = (packs: string[]) => ({ ...one, packs });
    const at = async (tasks: PlanTask[]) =>
      (await week(options({ tasks, goals, packedBesides: { tongs: 4 } }))).placed.map(({ taskId }) => taskId);
    expect(await at([task(1, packing(['washers'])), task(2, one)])).toEqual([2]);
    expect(await at([task(1, packing(['washers'])), task(2, packing(['tongs']))])).toEqual([2]);
    expect(await at([task(1, packing(['tongs'])), task(2, packing(['washers']))])).toEqual([1]);
  });
});

describe('why not', () => {
  const goals = [{ goalId: 5, asked: 20 }];

  it('tells a smallest set of rules that can’t hold together', async () => {
    const tasks = [task(1, { part: 'writing', minutes: 9 }), warmUp(2, { minutes: 8 })];
    const given = options({ tasks, parts: ['writing'], budget: 10 });
    // Writing needs its warm-up on the same day, both have to be there, and they take 17 of 10 minutes.
    const answer = await planWeek(given, solve);
    expect(answer).toEqual({ kind: 'impossible', rules: ['minutes', 'daysOfTask', 'warmUpFirst', 'parts'] });
    // Without any one of them a week is found.
    const model = planModel(given);
    for (const rule of ['minutes', 'daysOfTask', 'warmUpFirst', 'parts'])
      expect(await conflictOf({ ...model, rows: model.rows.filter((row) => row.rule !== rule) }, solve)).toEqual([]);
  });

  it('forces the task in and names the rule that breaks', async () => {
    const tasks = [task(1, { minutes: 4, gives: [{ goal: 0, amount: 10 }] }), task(2, { minutes: 30 }), task(3, { isNew: true })];
    const given = options({ tasks, goals, mostNew: 0 });
    const plan = await week(given);
    expect(await whyNot(given, plan, 2, solve)).toEqual({ kind: 'rules', rules: ['minutes', 'daysOfTask'] });
    expect(await whyNot(given, plan, 3, solve)).toEqual({ kind: 'rules', rules: ['newTasks'] });
  });

  it('tells what would go for it, and which goal gets less', async () => {
    const tasks = [task(1, { family: 'f', gives: [{ goal: 0, amount: 10 }] }), task(2, { family: 'f', gives: [{ goal: 0, amount: 3 }] })];
    const given = options({ tasks, goals });
    const plan = await week(given);
    const told = await whyNot(given, plan, 2, solve);
    expect(told).toMatchObject({ kind: 'worse', out: [1], less: [{ goalId: 5, by: 5 }] });
    expect(told.kind === 'worse' && told.by).toBeGreaterThan(20);
    // Banned, it can be asked for all the same.
    expect(await whyNot({ ...given, banned: [2] }, plan, 2, solve)).toMatchObject({ kind: 'worse' });
  });

  it('shows another good week, with two other tasks at least, none better, till there is none', async () => {
    const tasks = [1, 2, 3, 4].map((id) => task(id, { fit: id / 4, gives: [{ goal: 0, amount: 5 }] }));
    const given = options({ tasks, goals, budget: 8, days: [1, 2] });
    const first = await week(given);
    const shown = [first];
    for (let next = await anotherWeek(given, shown, solve); next && shown.length < 12; next = await anotherWeek(given, shown, solve)) {
      expect(next.objective).toBeLessThanOrEqual(first.objective + 1e-6);
      for (const before of shown) {
        const was = new Set(before.placed.map(({ taskId }) => taskId));
        const is = new Set(next.placed.map(({ taskId }) => taskId));
        expect([...was].filter((id) => !is.has(id)).length + [...is].filter((id) => !was.has(id)).length).toBeGreaterThanOrEqual(2);
      }
      shown.push(next);
    }
    expect(shown.length).toBeGreaterThan(2);
  });
});

describe('the model as text', () => {
  it('names every row and variable, and refuses a week that is none', () => {
    const text = lpText(planModel(options({ tasks: [warmUp(1)], parts: ['warmUp'], goals: [{ goalId: 1, asked: 10 }] })));
    expect(text).toContain('Maximize');
    expect(text).toContain('x_1_3');
    expect(text).toContain('0 <= g_0 <= 10');
    expect(text.endsWith('End')).toBe(true);
    expect(() => planModel(options({ budget: NaN }))).toThrow('is not a number of minutes');
    expect(() => planModel(options({ days: [8] }))).toThrow('weekdays');
  });
});
