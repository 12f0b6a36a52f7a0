import { wilsonInterval } from '../adherence';
import { askedHelp, suggestStep, type PromptFading, type Rule } from '../stepRules';
import { addDays, calendarDay, type CalendarDay } from '../calendar';
import { seededRandom, type Random } from '../random';
import { DEFAULT_OUTCOME_SETTINGS, outcomeOf, type DatedSession } from '../reports';
import { HELP_LEVELS, type HelpLevel } from '../vocabulary';
import { afterGap, chanceOfGood, simulateSession, type SimulatedChild } from './simulatedChild';
import { requireAtLeast, requireWhole } from '../whole';
import { quantile } from './replay';

/** How families of a trial are: what can be fitted to a workplace's own. */
export interface Families {
  /** The chance that a planned day is practised, 0 to 1. */
  readonly practises: number;
  /** The chance that what was practised is told, 0 to 1. */
  readonly tells: number;
  /** Amount by which reports are better than the sessions, as a share of the target, 0 to 0.3. */
  readonly rosy: number;
  /** Ability beyond the first step's demand at the start: the middle, and how far children lie around it. */
  readonly headStart: number;
  readonly spread: number;
  /** Growth for a session at the edge of what works: the middle of what children grow by, above 0. */
  readonly growth: number;
}

/** Our own choice, near the demo's families; calibrated to a workplace's own log by `fitFamilies`. */
export const USUAL_FAMILIES: Families = { practises: 0.7, tells: 0.9, rosy: 0, headStart: 0.4, spread: 0.4, growth: 0.035 };

export interface TrialOptions {
  readonly rule: Rule;
  readonly order: PromptFading;
  /** Demand of each step, easiest first: two at least. */
  readonly demands: readonly number[];
  /** 1-based. */
  readonly startStep: number;
  /** Repetitions that a session asks for. */
  readonly target: number;
  readonly families: Families;
  readonly children: number;
  /** Weeks for which a child is followed, at most. */
  readonly weeks: number;
  /** Whole: the same seed meets the same children, whatever the rule. */
  readonly seed: number;
}

export interface Course {
  /** Weeks till the rule says that the top step is held; null where it was not within the weeks. */
  readonly weeksToTop: number | null;
  /** True where the child is as good at it alone as a reached session asks for: the rule may have been lucky. */
  readonly holds: boolean;
  readonly sessions: number;
  readonly reached: number;
  readonly struggled: number;
  readonly changes: number;
  readonly weeks: number;
  /** The help of the last session; null where there was none. */
  readonly helpAtEnd: HelpLevel | null;
}

/** Practice on school days, a look at what came on Mondays and Thursdays, as in the demo. Our own choice. */
const PRACTICE_DAYS = [1, 2, 3, 4, 5];
const ROUNDS = [1, 4];
const MOST_WEEKS = 260;
/** A Monday and the days after it, reckoned once: a trial asks for each of them thousands of times. */
const DAYS = Array.from({ length: MOST_WEEKS * 7 }, (_, index) => addDays(calendarDay('2026-01-05'), index));

/**
 * Simulates one child under one rule, from the first day on. The same options and index give the same course.
 * @param index which of the children
 */
export function courseOf(options: TrialOptions, index: number): Course {
  const { rule, order, demands, families, target, weeks } = options;
  // The child is drawn apart from its luck: under each rule it is the same child.
  const who = seededRandom(options.seed * 1_000_003 + index * 2);
  const luck = seededRandom(options.seed * 1_000_003 + index * 2 + 1);
  let child = metFirst(families, demands[options.startStep - 1]!, who);
  let step = options.startStep;
  let version = 1;
  let told: DatedSession[] = [];
  let [sessions, reached, struggled, changes, gap] = [0, 0, 0, 0, 0];
  let helpAtEnd: HelpLevel | null = null;
  for (let day = 0; day < weeks * 7; day += 1) {
    const today = DAYS[day]!;
    const weekday = (day % 7) + 1;
    gap += 1;
    if (PRACTICE_DAYS.includes(weekday) && luck() < families.practises) {
      const judged = told.map((session) => ({ help: session.help, outcome: outcomeOf(session, target, DEFAULT_OUTCOME_SETTINGS) }));
      const begins = order === 'leastToMost' ? 'alone' : askedHelp(order, judged, 'shown').first;
      const session = simulateSession(afterGap(child, gap), demands[step - 1]!, target, luck, begins);
      child = session.child;
      gap = 0;
      sessions += 1;
      helpAtEnd = session.help;
      const done = toldOf(session, { options, step, version, today, id: sessions });
      const outcome = outcomeOf({ ...done, amount: session.good }, target, DEFAULT_OUTCOME_SETTINGS);
      if (outcome === 'struggled') struggled += 1;
      if (outcome === 'reached') reached += 1;
      if (luck() < families.tells) told = [...told.slice(-MOST_KEPT), done];
    }
    if (!ROUNDS.includes(weekday)) continue;
    const { move, toStep } = suggestStep(
      { sessions: told, currentStep: step, stepSinceVersion: version, stepCount: demands.length, today, stopReportIds: [] },
      rule,
    );
    if (move === 'ladderEnd') {
      const soFar = (day + 1) / 7;
      const holds = chanceOfGood(child.ability, demands.at(-1)!) >= DEFAULT_OUTCOME_SETTINGS.reachedShare;
      return { weeksToTop: soFar, holds, sessions, reached, struggled, changes, weeks: soFar, helpAtEnd };
    }
    if (move !== 'up' && move !== 'down') continue;
    step = toStep;
    version += 1;
    changes += 1;
    told = [];
  }
  return { weeksToTop: null, holds: false, sessions, reached, struggled, changes, weeks, helpAtEnd };
}

/** No rule looks further back. */
const MOST_KEPT = 12;

function metFirst({ headStart, spread, growth }: Families, demand: number, who: Random): SimulatedChild {
  const ability = demand + headStart + spread * normal(who);
  // From half to half as much again: children differ.
  return { ability, held: ability, growth: growth * (0.5 + who()) };
}

/** A draw from the standard normal distribution. Source: Box & Muller 1958. */
function normal(chance: Random): number {
  return Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
}

interface Told {
  readonly options: TrialOptions;
  readonly step: number;
  readonly version: number;
  readonly today: CalendarDay;
  readonly id: number;
}

/** Returns a family's report of a session. */
function toldOf({ good, help, effort }: ReturnType<typeof simulateSession>, { options, step, version, today, id }: Told): DatedSession {
  const amount = Math.min(options.target, Math.round(good + options.families.rosy * options.target));
  return {
    reportId: id,
    doneOn: today,
    step,
    versionNumber: version,
    done: true,
    amount,
    target: options.target,
    help,
    effort,
    stopReason: null,
    safetyWord: false,
  };
}

export interface Spread {
  readonly mean: number;
  /** Bounds of the mean of all such children, 95 of 100 times: 1.96 standard errors around it. */
  readonly low: number;
  readonly high: number;
}

export interface TrialFigures {
  readonly children: number;
  readonly sessions: number;
  readonly reachedShare: Spread;
  /** The share who held the top step within the weeks, with its Wilson interval. */
  readonly reachedTop: { readonly count: number; readonly share: number; readonly low: number; readonly high: number };
  /** Share of them who are as good at it alone as the rule says; null where there are none. */
  readonly holdShare: number | null;
  /** Over those who did: the middle, and between which half of them lie; null where nobody did. */
  readonly weeksToTop: { readonly median: number; readonly low: number; readonly high: number } | null;
  readonly struggledShare: Spread;
  readonly changesAMonth: Spread;
  /** How many ended at each level of help, most help first. */
  readonly helpAtEnd: Readonly<Record<HelpLevel, number>>;
}

/** Days of a mean month, over a year. */
const DAYS_A_MONTH = 365.25 / 12;

/** Summarizes the courses of many children. @throws RangeError for none */
export function trialFigures(courses: readonly Course[]): TrialFigures {
  requireAtLeast('children', courses.length, 1);
  const reached = courses.flatMap(({ weeksToTop }) => (weeksToTop === null ? [] : [weeksToTop]));
  const share = wilsonInterval(reached.length, courses.length);
  const practised = courses.filter(({ sessions }) => sessions > 0);
  const help = Object.fromEntries(HELP_LEVELS.map((level) => [level, courses.filter(({ helpAtEnd }) => helpAtEnd === level).length]));
  return {
    children: courses.length,
    sessions: courses.reduce((sum, { sessions }) => sum + sessions, 0),
    reachedTop: { count: reached.length, share: reached.length / courses.length, low: share.low, high: share.high },
    holdShare: reached.length ? courses.filter(({ holds }) => holds).length / reached.length : null,
    weeksToTop: reached.length ? { median: quantile(reached, 0.5)!, low: quantile(reached, 0.25)!, high: quantile(reached, 0.75)! } : null,
    reachedShare: spreadOf(practised.map(({ reached: good, sessions }) => good / sessions)),
    struggledShare: spreadOf(practised.map(({ struggled, sessions }) => struggled / sessions)),
    changesAMonth: spreadOf(courses.map(({ changes, weeks }) => (changes / (weeks * 7)) * DAYS_A_MONTH)),
    helpAtEnd: help as Record<HelpLevel, number>,
  };
}

function spreadOf(values: readonly number[]): Spread {
  if (values.length === 0) return { mean: 0, low: 0, high: 0 };
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, values.length - 1);
  const error = 1.959963984540054 * Math.sqrt(variance / values.length);
  return { mean, low: mean - error, high: mean + error };
}

/**
 * Thousands of simulated children under one rule. What it says holds for such children and such families alone; it compares rules, and foretells no
 * child.
 * @param onProgress told after every so many children; false ends it, with what there is
 * @throws RangeError for a ladder of one step, or numbers that are none
 */
export function runTrial(options: TrialOptions, onProgress: (done: number) => boolean = () => true): TrialFigures {
  requireWhole('children', options.children, 1, 100_000);
  requireWhole('weeks', options.weeks, 1, MOST_WEEKS);
  requireWhole('steps', options.demands.length, 2, 12);
  requireWhole('startStep', options.startStep, 1, options.demands.length);
  requireWhole('seed', options.seed, 0, 1_000_000);
  const courses: Course[] = [];
  for (let index = 0; index < options.children; index += 1) {
    courses.push(courseOf(options, index));
    if ((index + 1) % TOLD_EVERY === 0 && !onProgress(index + 1)) break;
  }
  return trialFigures(courses);
}

const TOLD_EVERY = 50;
