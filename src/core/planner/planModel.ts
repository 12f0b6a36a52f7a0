import type { Part, Skill } from '../vocabulary';
import { DAY_ORDER, PLAN_WEIGHTS as WEIGHTS, type PlanRule, type PlanInput } from './planInput';

/** A variable of a model, by what it stands for. */
export type VariableMeaning =
  | { readonly kind: 'onDay'; readonly taskId: number; readonly weekday: number }
  | { readonly kind: 'placed'; readonly taskId: number }
  | { readonly kind: 'given'; readonly goal: number }
  | { readonly kind: 'packed'; readonly thing: string }
  | { readonly kind: 'trained'; readonly skill: Skill }
  | { readonly kind: 'heavyDay'; readonly hand: 'left' | 'right'; readonly weekday: number };

export interface ModelVariable {
  readonly name: string;
  readonly means: VariableMeaning;
  /** 0 or 1, or anything from 0 to `most`. */
  readonly isBinary: boolean;
  readonly most: number;
  readonly gain: number;
}

export interface ModelRow {
  readonly name: string;
  /** The rule that it is part of; null for what only ties variables together. */
  readonly rule: PlanRule | null;
  readonly terms: readonly (readonly [variable: number, factor: number])[];
  readonly sense: '<=' | '>=' | '=';
  readonly bound: number;
}

/** A mixed-integer program as data: the sum of the gains is to be as large as can be. */
export interface PlanModel {
  readonly variables: readonly ModelVariable[];
  readonly rows: readonly ModelRow[];
}

const HANDS = ['left', 'right'] as const;

/**
 * The week as a mixed-integer program: a task on a day is 0 or 1. See docs/planner.md for the model in words.
 * @throws RangeError for a budget or days that no week has: it would plan nothing and say nothing
 */
export function planModel(options: PlanInput): PlanModel {
  if (!(options.budget >= 0)) throw new RangeError(`The budget ${options.budget} is not a number of minutes`);
  if (options.days.some((day) => !Number.isInteger(day) || day < 1 || day > 7))
    throw new RangeError(`${options.days.join()} are not weekdays`);
  const model = new Building();
  const { days, tasks, goals } = options;
  const onDay = new Map(
    tasks.map((task) => {
      const gain = WEIGHTS.chore * task.chores + (options.moreOf.includes(task.taskId) ? WEIGHTS.moreOf : 0);
      const each = days.map((weekday) =>
        model.binary(
          `x_${task.taskId}_${weekday}`,
          { kind: 'onDay', taskId: task.taskId, weekday },
          gain + WEIGHTS.day * (DAY_ORDER.indexOf(weekday as 1) + 1),
        ),
      );
      return [task.taskId, each] as const;
    }),
  );
  const placed = new Map(
    tasks.map((task) => {
      const gain =
        WEIGHTS.task +
        WEIGHTS.fit * task.fit +
        (task.isUnderWay ? WEIGHTS.underWay : 0) +
        (task.isLiked ? WEIGHTS.liked : 0) +
        (task.isOfTheme ? WEIGHTS.theme : 0);
      return [task.taskId, model.binary(`y_${task.taskId}`, { kind: 'placed', taskId: task.taskId }, gain)] as const;
    }),
  );
  const y = (taskId: number) => placed.get(taskId)!;
  const x = (taskId: number) => onDay.get(taskId)!;

  for (const { taskId, days: span } of tasks) {
    for (const day of x(taskId))
      model.row(
        null,
        [
          [day, 1],
          [y(taskId), -1],
        ],
        '<=',
        0,
      );
    const all = x(taskId).map((day) => [day, 1] as const);
    const least = Math.min(span.least, days.length);
    // Pinned tasks keep their days, however many there are.
    const rule = taskId in options.pinned ? 'pinned' : 'daysOfTask';
    if (taskId in options.pinned) {
      x(taskId).forEach((day, place) => model.row(rule, [[day, 1]], '=', options.pinned[taskId]!.includes(days[place]!) ? 1 : 0));
      model.row(rule, [[y(taskId), 1]], '=', 1);
    } else {
      model.row(rule, [...all, [y(taskId), -least]], '>=', 0);
      model.row(rule, [...all, [y(taskId), -span.most]], '<=', 0);
    }
    if (options.banned.includes(taskId)) model.row('banned', [[y(taskId), 1]], '=', 0);
  }
  days.forEach((_, place) =>
    model.row(
      'minutes',
      tasks.map(({ taskId, minutes }) => [x(taskId)[place]!, minutes]),
      '<=',
      options.budget,
    ),
  );
  addGrip(model, options, x);
  model.row(
    'newTasks',
    tasks.filter((task) => task.isNew && !(task.taskId in options.pinned)).map(({ taskId }) => [y(taskId), 1]),
    '<=',
    options.mostNew,
  );
  for (const family of new Set(tasks.flatMap((task) => task.family ?? []))) {
    const own = tasks.filter((task) => task.family === family);
    // Two of one family that a therapist placed herself were asked for.
    const pinned = own.filter(({ taskId }) => taskId in options.pinned).length;
    if (own.length > 1)
      model.row(
        'family',
        own.map(({ taskId }) => [y(taskId), 1]),
        '<=',
        Math.max(1, pinned),
      );
  }
  addParts(model, options, x, y);
  goals.forEach(({ asked }, goal) => {
    const given = model.upTo(`g_${goal}`, { kind: 'given', goal }, asked, WEIGHTS.goal / asked);
    const from = tasks.flatMap(({ taskId, gives }) =>
      gives.filter((gift) => gift.goal === goal).flatMap(({ amount }) => x(taskId).map((day) => [day, -amount] as const)),
    );
    model.row(null, [[given, 1], ...from], '<=', 0);
  });
  for (const thing of new Set(tasks.flatMap(({ packs }) => packs))) {
    const gain = options.packedBesides[thing] ? WEIGHTS.packShared : WEIGHTS.pack;
    const packed = model.binary(`k_${model.size}`, { kind: 'packed', thing }, gain);
    for (const { taskId } of tasks.filter(({ packs }) => packs.includes(thing)))
      model.row(
        null,
        [
          [y(taskId), 1],
          [packed, -1],
        ],
        '<=',
        0,
      );
  }
  for (const skill of new Set(tasks.map((task) => task.skill))) {
    const trained = model.binary(`s_${model.size}`, { kind: 'trained', skill }, WEIGHTS.variety);
    const own = tasks.filter((task) => task.skill === skill).map(({ taskId }) => [y(taskId), -1] as const);
    model.row(null, [[trained, 1], ...own], '<=', 0);
  }
  return model;
}

/** A hand that gripped firmly rests on the next day; on no day it grips more often than the cap says. The week is read round. */
function addGrip(model: Building, { days, tasks, gripCap }: PlanInput, x: (taskId: number) => readonly number[]): void {
  for (const hand of HANDS) {
    const heavy = tasks.filter(({ grip }) => grip[hand] > 0);
    if (heavy.length === 0) continue;
    const marks = new Map(
      days.map((weekday, place) => {
        const mark = model.binary(`h_${hand}_${weekday}`, { kind: 'heavyDay', hand, weekday }, 0);
        for (const { taskId } of heavy)
          model.row(
            null,
            [
              [x(taskId)[place]!, 1],
              [mark, -1],
            ],
            '<=',
            0,
          );
        model.row(
          'gripCap',
          heavy.map(({ taskId, grip }) => [x(taskId)[place]!, grip[hand]]),
          '<=',
          gripCap,
        );
        return [weekday, mark] as const;
      }),
    );
    for (const [weekday, mark] of marks) {
      const next = marks.get((weekday % 7) + 1);
      if (next !== undefined)
        model.row(
          'gripRest',
          [
            [mark, 1],
            [next, 1],
          ],
          '<=',
          1,
        );
    }
  }
}

/** A day begins with a warm-up where the week has one, and always before writing; every other part stands somewhere in the week. */
function addParts(
  model: Building,
  { tasks, parts, days }: PlanInput,
  x: (taskId: number) => readonly number[],
  y: (taskId: number) => number,
): void {
  const of = (part: Part) => tasks.filter((task) => task.part === part);
  const warmUps = of('warmUp');
  for (const task of tasks) {
    const needsOne = task.part === 'writing' || (task.part !== 'warmUp' && parts.includes('warmUp'));
    if (!needsOne) continue;
    days.forEach((_, place) =>
      model.row('warmUpFirst', [[x(task.taskId)[place]!, 1], ...warmUps.map(({ taskId }) => [x(taskId)[place]!, -1] as const)], '<=', 0),
    );
  }
  for (const part of parts)
    model.row(
      'parts',
      of(part).map(({ taskId }) => [y(taskId), 1]),
      '>=',
      1,
    );
}

class Building implements PlanModel {
  readonly variables: ModelVariable[] = [];
  readonly rows: ModelRow[] = [];

  get size(): number {
    return this.variables.length;
  }

  binary(name: string, means: VariableMeaning, gain: number): number {
    return this.variables.push({ name, means, isBinary: true, most: 1, gain }) - 1;
  }

  upTo(name: string, means: VariableMeaning, most: number, gain: number): number {
    return this.variables.push({ name, means, isBinary: false, most, gain }) - 1;
  }

  row(rule: PlanRule | null, terms: ModelRow['terms'], sense: ModelRow['sense'], bound: number): void {
    // A row without variables still says something: nothing adds up to at least one.
    this.rows.push({ name: `r${this.rows.length}_${rule ?? 'tie'}`, rule, terms, sense, bound });
  }
}
