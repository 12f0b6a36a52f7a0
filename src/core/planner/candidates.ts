import { doseAt, minutesOf, calculateDose, type PlannedDose } from '../dose';
import { servesGoal, type GoalContent } from '../goals';
import { mayTravel } from '../kits';
import { matchHome } from '../materials';
import { contentFor, fitFor, safetyBetween, type ChildFacts, type PlannedTask } from '../programs';
import type { SafetyFinding } from '../safety';
import { firstStepAt, isShape, plannedDoseOf, SHAPE_ORDERS, type Material, type TaskContent } from '../tasks';
import { plain, type LocalText } from '../text';
import type { Part, Skin } from '../vocabulary';
import type { PlanGoal, PlanTask } from './planInput';

/** A task that could be placed, with all that placing it needs. */
export interface Candidate extends PlanTask {
  readonly taskVersionId: number;
  readonly title: LocalText;
  readonly planned: PlannedTask;
}

/** Why a task is not even looked at: the first reason that holds, in this order. */
export type LeftOut =
  | { readonly kind: 'closed' | 'age' | 'dressNotWanted' | 'fitsLess' }
  | { readonly kind: 'safety'; readonly finding: SafetyFinding }
  | { readonly kind: 'triedInVain'; readonly step: number }
  | { readonly kind: 'shapeLater'; readonly before: string }
  | { readonly kind: 'notAtHome'; readonly materials: readonly Material[] }
  | { readonly kind: 'takesTooLong'; readonly minutes: number };

/** A student's history with one task. */
export interface TaskHistory {
  readonly taskId: number;
  /** The step that it stood at last. */
  readonly step: number;
  /** Number of failed attempts to step up to `step`. */
  readonly triesInVain: number;
}

export interface CandidateOptions {
  readonly library: readonly { readonly taskId: number; readonly taskVersionId: number; readonly content: TaskContent }[];
  readonly child: ChildFacts & { readonly likes: string };
  readonly ageMonths: number;
  readonly goals: readonly { readonly goalId: number; readonly content: GoalContent }[];
  /** Tasks of the present program, as the draft that continues it has them. */
  readonly underWay: readonly (PlannedTask & { readonly taskId: number })[];
  readonly history: readonly TaskHistory[];
  /** Something hurt: nobody but a person opens them again. */
  readonly closedTaskIds: readonly number[];
  /** Seconds of one repetition, where sessions told them. */
  readonly paces: readonly { readonly taskId: number; readonly secondsEach: number }[];
  /** False where nothing can be put in a bag: what is not at home is left out then. */
  readonly mayPack: boolean;
  readonly theme: Skin | null;
  /** Tasks that are looked at whatever their rank. */
  readonly asked: readonly number[];
}

export interface Candidates {
  readonly tasks: readonly Candidate[];
  /** `isServed`: something that may be placed gives to it. */
  readonly goals: readonly (PlanGoal & { readonly isServed: boolean })[];
  readonly parts: readonly Part[];
  readonly leftOut: readonly { readonly taskId: number; readonly title: LocalText; readonly why: LeftOut }[];
}

/** Limit of tasks weighed at once. More would not be read, and takes longer. */
const MOST_CANDIDATES = 18;
/** Least number of tasks weighed from each part of a session. */
const LEAST_OF_PART = 3;
/** Days a week on which a family practices a goal's task when it gets what the goal asks for. Common practice, no source. */
const GOAL_DAYS = 4;
/** Common practice, no source: what is done on one day a week is begun anew each time. */
const LEAST_DAYS = 2;
const MOST_DAYS = 5;
const OTHER_SKILL_SHARE = 0.5;
/** Asked of a goal that no task serves: nothing can give it, and that is told. */
const ASKED_OF_NONE = 20;
/** Two tries that failed: it is looked at in school before it is tried at home again. */
const TRIES = 2;

/** Lists the tasks that may be placed for this student, the amounts that goals ask for, and the first reason against every other task. */
export function candidatesFor(options: CandidateOptions): Candidates {
  const looked = options.library.map((task) => ({ task, result: lookAt(task, options) }));
  const ranked = looked
    .flatMap(({ task, result }) => ('planned' in result ? [{ ...result, rank: rankOf(result, task.content, options) }] : []))
    .sort((one, other) => other.rank - one.rank || one.taskId - other.taskId);
  const chosen = new Set<number>();
  const take = (tasks: readonly { readonly taskId: number }[]) => tasks.forEach(({ taskId }) => chosen.add(taskId));
  take(ranked.filter(({ taskId, isUnderWay }) => isUnderWay || options.asked.includes(taskId)));
  const parts = partsOf(ranked, options);
  for (const part of parts) take(ranked.filter((each) => each.part === part).slice(0, LEAST_OF_PART));
  for (const each of ranked) if (chosen.size < MOST_CANDIDATES) chosen.add(each.taskId);
  const kept = ranked.filter(({ taskId }) => chosen.has(taskId));
  const goals = options.goals.map(({ goalId }, goal) => ({
    goalId,
    asked: askedOf(goal, kept),
    isServed: kept.some(({ gives }) => gives.some((gift) => gift.goal === goal)),
  }));
  const leftOut = looked.flatMap(({ task: { taskId, content }, result }) => {
    if ('why' in result) return [{ taskId, title: content.title, why: result.why }];
    return chosen.has(taskId) ? [] : [{ taskId, title: content.title, why: { kind: 'fitsLess' } as const }];
  });
  // Sorted by id: the same week for the same data, in whatever order the library came.
  const tasks = kept.map(({ rank: _rank, ...task }) => task).sort((one, other) => one.taskId - other.taskId);
  return { tasks, goals, parts, leftOut };
}

type Looked = Candidate | { readonly why: LeftOut };

function lookAt({ taskId, taskVersionId, content }: CandidateOptions['library'][number], options: CandidateOptions): Looked {
  const { child, ageMonths } = options;
  const now = options.underWay.find((each) => each.taskId === taskId);
  const before = options.history.find((each) => each.taskId === taskId);
  if (options.closedTaskIds.includes(taskId)) return { why: { kind: 'closed' } };
  const years = ageMonths / 12;
  if (!now && (years < content.ages.fromYears || years >= content.ages.toYears + 1)) return { why: { kind: 'age' } };
  if (before && before.triesInVain >= TRIES && !now) return { why: { kind: 'triedInVain', step: before.step } };
  const later = shapeBefore(content, options);
  if (later && !now) return { why: { kind: 'shapeLater', before: later } };
  const planned = now ? withoutTask(now) : plannedFor({ taskVersionId, content }, before, options);
  const settled = contentFor(content, planned.choices, child.taskSettings);
  if (child.themesNotWanted.includes(planned.choices.skin ?? 'buildersYard')) return { why: { kind: 'dressNotWanted' } };
  const match = matchHome(settled, child.materialsAtHome, planned.chooseFrom, planned.chooseTo);
  const stops = safetyBetween(match.task, planned.chooseFrom, planned.chooseTo, child, planned.choices.reasons).find(
    (found) => found.stops,
  );
  if (stops) return { why: { kind: 'safety', finding: stops.finding } };
  // Things that a home makes by a recipe or can do without are not packed, nor are the house itself and food.
  const missing = match.standings.flatMap((standing) =>
    standing.kind === 'missing' && !standing.material.optional && !standing.material.recipe ? [standing.material] : [],
  );
  const homely = options.mayPack ? missing.filter((material) => !mayTravel(material)) : missing;
  if (homely.length > 0 && !now) return { why: { kind: 'notAtHome', materials: homely } };
  const dose = doseAt(planned.dose, planned.step);
  const minutes = minutesOf(dose);
  if (minutes > child.minutesPerDay && !now) return { why: { kind: 'takesTooLong', minutes } };
  const grip = dose.heavyGrip ? gripOf(planned.dose, planned.step, child.hand) : { left: 0, right: 0 };
  const perDay = amountOf(planned.dose, planned.step);
  return {
    taskId,
    taskVersionId,
    title: content.title,
    planned,
    part: planned.part,
    skill: content.skill,
    minutes,
    chores: dose.setUpMinutes + dose.tidyUpMinutes,
    days: { least: LEAST_DAYS, most: MOST_DAYS },
    grip,
    isNew: !now && !before,
    isUnderWay: now !== undefined,
    family: content.family ?? null,
    gives: givesOf(options.goals, taskId, content, perDay),
    packs: missing
      .filter(mayTravel)
      .map(({ id }) => id)
      .sort(),
    isLiked: isLiked(settled, child.likes),
    isOfTheme: options.theme !== null && planned.choices.skin === options.theme,
    fit: now ? 1 - 0.4 * Math.min(1, (before?.triesInVain ?? 0) / TRIES) : before ? 0.7 : 0.5,
  };
}

const withoutTask = ({ taskId: _taskId, ...planned }: PlannedTask & { readonly taskId: number }): PlannedTask => planned;

/** A task as it would be placed: at the step that it stood at, or the one that a child of this age begins at, at the child's own pace. */
function plannedFor(
  { taskVersionId, content }: { readonly taskVersionId: number; readonly content: TaskContent },
  before: TaskHistory | undefined,
  { child, ageMonths, paces, theme, library }: CandidateOptions,
): PlannedTask {
  const isDressed = theme !== null && theme in content.skins && !child.themesNotWanted.includes(theme);
  const choices = isDressed ? { skin: theme } : {};
  const settled = contentFor(content, choices, child.taskSettings);
  const last = settled.ladder.steps.length;
  const step = Math.min(last, before?.step ?? firstStepAt(settled, ageMonths));
  const taskId = library.find((each) => each.taskVersionId === taskVersionId)?.taskId;
  const pace = paces.find((each) => each.taskId === taskId);
  const dose = plannedDoseOf(settled);
  return {
    taskVersionId,
    part: settled.part,
    step,
    chooseFrom: Math.max(1, step - 1),
    chooseTo: Math.min(last, step + 1),
    weekdays: [],
    dose: pace ? { ...dose, secondsEach: Math.round(pace.secondsEach * 10) / 10 } : dose,
    choices,
  };
}

/**
 * Returns the gain of a day of a task for each goal: all of it where it serves the goal, half where the goal's skill is one of its
 * other ones.
 */
function givesOf(
  goals: CandidateOptions['goals'],
  taskId: number,
  content: Pick<TaskContent, 'skill' | 'otherSkills'>,
  perDay: number,
): PlanTask['gives'] {
  return goals.flatMap(({ content: goal }, place) => {
    if (servesGoal(goal, { taskId, skill: content.skill })) return [{ goal: place, amount: perDay }];
    const isOther = goal.taskIds.length === 0 && content.otherSkills.includes(goal.skill);
    return isOther ? [{ goal: place, amount: perDay * OTHER_SKILL_SHARE }] : [];
  });
}

/** Returns the weekly gain of a draft for each goal, in the order of the goals. */
export function givenBy(
  tasks: readonly { readonly taskId: number; readonly content: TaskContent; readonly planned: PlannedTask }[],
  goals: CandidateOptions['goals'],
): number[] {
  const given = goals.map(() => 0);
  for (const { taskId, content, planned } of tasks)
    for (const { goal, amount } of givesOf(goals, taskId, content, amountOf(planned.dose, planned.step)))
      given[goal]! += amount * planned.weekdays.length;
  return given;
}

/** Repetitions of a day; minutes count as many as the task's seconds for each make, a mere watching as one. */
function amountOf(dose: PlannedDose, step: number): number {
  const at = doseAt(dose, step);
  const { unit, perDay } = calculateDose(at, 1);
  return Math.max(1, unit === 'minutes' ? Math.round((perDay * 60) / Math.max(1, at.secondsEach)) : perDay);
}

/** Firm repetitions by hand: of each in turn, of both together, or of the hand that is used, where it is known. */
function gripOf(dose: PlannedDose, step: number, hand: ChildFacts['hand']): PlanTask['grip'] {
  const at = doseAt(dose, step);
  const all = amountOf(dose, step);
  if (at.limb === 'foot') return { left: 0, right: 0 };
  if (at.hands === 'each') return { left: all / 2, right: all / 2 };
  if (at.hands === 'both' || hand === 'unsettled') return { left: all, right: all };
  return { left: hand === 'left' ? all : 0, right: hand === 'right' ? all : 0 };
}

/** The shape of the school's order that comes before this one and was not met yet; null where none stands in the way. */
function shapeBefore({ shape }: TaskContent, { child, library, history, underWay }: CandidateOptions): string | null {
  if (!isShape(shape)) return null;
  const { shapeOrder = 'strokesFirst', freeShapes = [] } = child.taskSettings;
  const order: readonly string[] = shapeOrder === 'free' ? freeShapes : SHAPE_ORDERS[shapeOrder];
  const place = order.indexOf(shape);
  const met = new Set([...history, ...underWay].map(({ taskId }) => taskId));
  const shapes = new Map(library.flatMap((task) => (task.content.shape ? [[task.content.shape, task.taskId] as const] : [])));
  return order.slice(0, Math.max(0, place)).find((each) => shapes.has(each) && !met.has(shapes.get(each)!)) ?? null;
}

/** Something that the child likes is named in the task's title or story. Words of four letters and more. */
function isLiked({ title, story }: TaskContent, likes: string): boolean {
  const wordsOf = (text: string) => plain(text).split(/[^\p{L}]+/u);
  const said = wordsOf(`${title.en} ${title.es ?? ''} ${story?.en ?? ''} ${story?.es ?? ''}`);
  // Stems, so that one crane and many cranes are the same.
  const stems = wordsOf(likes)
    .filter((like) => like.length >= 4)
    .map((like) => like.replace(/s$/, ''));
  return stems.some((stem) => said.some((word) => word.startsWith(stem)));
}

/** Ranks tasks: those under way, those that serve a goal, and those that lack little come first. */
function rankOf(task: Candidate, content: TaskContent, { child, goals }: CandidateOptions): number {
  const { score } = fitFor(
    content,
    child,
    goals.map((goal) => goal.content.skill),
  );
  return score + (task.isUnderWay ? 20 : 0) + (task.gives.length > 0 ? 4 : 0) + (task.isLiked ? 1 : 0) + (task.isOfTheme ? 1 : 0);
}

/** A warm-up and something at the table; and whatever part a goal's own tasks are done in. */
function partsOf(tasks: readonly Candidate[], { goals }: CandidateOptions): Part[] {
  const ofGoals = goals.flatMap((_, goal) => {
    const own = tasks.filter(({ gives }) => gives.some((gift) => gift.goal === goal));
    return own.length > 0 ? [own[0]!.part] : [];
  });
  return (['warmUp', 'tableWork', 'writing', 'selfCare'] as const).filter(
    (part) => tasks.some((task) => task.part === part) && (part === 'warmUp' || part === 'tableWork' || ofGoals.includes(part)),
  );
}

/** Four days of the task that leads to the goal: the one under way, else the one that gives it most directly. */
function askedOf(goal: number, tasks: readonly Candidate[]): number {
  const serving = tasks.filter(({ gives }) => gives.some((gift) => gift.goal === goal));
  const leading = serving.find(({ isUnderWay }) => isUnderWay) ?? serving[0];
  const amount = leading?.gives.find((gift) => gift.goal === goal)?.amount;
  return amount === undefined ? ASKED_OF_NONE : Math.round(amount * GOAL_DAYS);
}
