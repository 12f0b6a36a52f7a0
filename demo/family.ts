import { weekdayOf, addDays, daysBetween, type CalendarDay } from '@/core/calendar';
import { dayTargetOf, type Dose } from '@/core/dose';
import type { Random } from '@/core/random';
import { afterGap, simulateSession, type SimulatedChild } from '@/core/simulation';
import type { Effort, StopReason } from '@/core/reports';
import type { HelpLevel } from '@/core/vocabulary';
import { chanceOf } from './chanceOf';
import { HOME_WORDS, type DemoChild, type FamilyKind } from './children';

/** A task as the program that holds on a day asks for it. */
export interface AskedTask {
  readonly taskId: number;
  readonly step: number;
  /** Demand of the step, on the scale of demand. */
  readonly demand: number;
  readonly dose: Dose;
  readonly weekdays: readonly number[];
  /** Closed by an injury or a person: nobody practises it. */
  readonly isClosed: boolean;
}

/** State that a simulated family carries from day to day; all of it fits into a file. */
export interface FamilyState {
  /** Skill by task, and the last day of practice. */
  readonly skills: Readonly<Record<string, SimulatedChild & { readonly lastOn: CalendarDay }>>;
  /** True once the one thing was told that this family has to tell. */
  readonly storyTold: boolean;
}

export const NEW_FAMILY: FamilyState = { skills: {}, storyTold: false };

/** Practice of one task on one day, whichever way it is reported. */
export interface Practice {
  readonly taskId: number;
  readonly step: number;
  readonly doneOn: CalendarDay;
  readonly done: boolean;
  readonly target: number;
  readonly left: number | null;
  readonly right: number | null;
  readonly amount: number | null;
  readonly minutes: number | null;
  readonly help: HelpLevel | null;
  readonly effort: Effort | null;
  readonly stopReason: StopReason | null;
  readonly hurt: boolean;
  readonly isQuestion: boolean;
  readonly words: string;
}

export interface FamilyDay {
  readonly demo: DemoChild;
  /** The child's place among the children of the demo. */
  readonly index: number;
  readonly tasks: readonly AskedTask[];
  readonly day: CalendarDay;
  /** Whole weeks since the family began. */
  readonly week: number;
  /** A day that is not over yet: fewer have practised. */
  readonly isToday: boolean;
  /** The day before the present one, of those on which something is planned: what a family has to tell once, it tells then. */
  readonly storyDay: CalendarDay | null;
}

/** Simulates one day of one family. The same family, state and day give the same practice. */
export function practiceOn(given: FamilyDay, state: FamilyState): { readonly practices: readonly Practice[]; readonly state: FamilyState } {
  const { demo, index, tasks, day, week, isToday, storyDay } = given;
  const chance = chanceOf('day', index, day);
  const isStory = day === storyDay && TELLS.has(demo.kind) && !state.storyTold;
  // The last story day stays the newest report, for whoever opens the demo.
  const isQuiet = storyDay !== null && day > storyDay && TELLS.has(demo.kind);
  const practises = chance() <= chanceToPractise(demo.kind, weekdayOf(day), week, isToday);
  if (isQuiet || (!practises && !isStory)) return { practices: [], state };
  const skills = { ...state.skills };
  const practices: Practice[] = [];
  for (const task of tasks) {
    if (task.isClosed || !task.weekdays.includes(weekdayOf(day)) || (!isStory && chance() > 0.88)) continue;
    const skill = rested(skills[task.taskId] ?? metFirst(task, demo, index, day), day);
    const told = !isStory && chance() < 0.04 ? notDone(task, demo, day, chance) : null;
    if (told) practices.push(told);
    else {
      const { practice, child } = practise(task, skill, given, chance);
      practices.push(practice);
      skills[task.taskId] = { ...child, lastOn: day };
    }
  }
  if (!isStory || practices.length === 0) return { practices, state: { ...state, skills } };
  return { practices: withStory(demo, practices), state: { skills, storyTold: true } };
}

const TELLS: ReadonlySet<FamilyKind> = new Set<FamilyKind>(['safetyWord', 'question']);

function chanceToPractise(kind: FamilyKind, weekday: number, week: number, isToday: boolean): number {
  const today = isToday ? 0.45 : 1;
  switch (kind) {
    case 'weekends':
      return today * (weekday >= 6 ? 0.9 : 0.06);
    case 'keenThenQuiet':
      return week < 5 ? 0.85 : week < 8 ? 0.25 : 0;
    case 'paper':
      return week >= 9 ? 0.25 : 0.6;
    case 'texts':
      return today * 0.45;
    case 'neverOpened':
      return 0;
    case 'tooHardTooEarly':
      return today * 0.55;
    default:
      return today * 0.72;
  }
}

/**
 * Returns a child's ability at a task that it meets for the first time: a little more than its step demands, or less where it came
 * too early.
 */
function metFirst({ taskId, demand }: AskedTask, { kind }: DemoChild, index: number, day: CalendarDay): FamilyState['skills'][string] {
  const chance = chanceOf('met', index, taskId);
  const ability = demand + (kind === 'tooHardTooEarly' ? -0.8 : 0.35 + chance() * 0.6);
  return { ability, held: ability, growth: 0.012 + chance() * 0.05, lastOn: day };
}

function rested(skill: FamilyState['skills'][string], day: CalendarDay): FamilyState['skills'][string] {
  return { ...skill, ...afterGap(skill, Math.max(0, daysBetween(skill.lastOn, day))) };
}

function practise({ taskId, step, demand, dose }: AskedTask, skill: SimulatedChild, { demo, index, day }: FamilyDay, chance: Random) {
  const target = dayTargetOf(dose) ?? 0;
  const { good, help, effort, child } = simulateSession(skill, demand, Math.round(target), chance);
  const isEach = dose.hands === 'each';
  const left = isEach ? Math.min(Math.floor(target / 2), Math.round(good / 2)) : null;
  const share = target === 0 ? 0 : good / target;
  const pace = 0.8 + (index % 7) / 10;
  const tellsMinutes = demo.kind === 'steady' && dose.target.kind !== 'time' && good > 0;
  const practice: Practice = {
    taskId,
    step,
    doneOn: day,
    done: true,
    target,
    left,
    right: left === null ? null : Math.min(Math.floor(target / 2), good - left),
    amount: isEach ? null : good,
    minutes: tellsMinutes ? Math.max(1, Math.ceil((good * dose.secondsEach * pace) / 60)) : null,
    help: chance() < 0.1 ? null : help,
    effort,
    stopReason: share < 0.3 && chance() < 0.3 ? 'tired' : null,
    hurt: false,
    isQuestion: false,
    words: wordsFor(demo, share, effort, chance),
  };
  return { practice, child };
}

const NOT_DONE: readonly StopReason[] = ['refused', 'time', 'ill'];

function notDone({ taskId, step }: AskedTask, { language }: DemoChild, day: CalendarDay, chance: Random): Practice {
  const nothing = { left: null, right: null, amount: null, minutes: null, help: null, effort: null };
  const stopReason = NOT_DONE[Math.floor(chance() * NOT_DONE.length)]!;
  const words = language === 'es' ? 'hoy no' : 'not today';
  return { taskId, step, doneOn: day, done: false, target: 0, ...nothing, stopReason, hurt: false, isQuestion: false, words };
}

/** Words that are true of any task, and fit how it went. */
function wordsFor({ kind, language }: DemoChild, share: number, effort: Effort, chance: Random): string {
  const rate = kind === 'texts' ? 0.3 : 0.14;
  const of = HOME_WORDS[language === 'es' ? 'es' : 'en'];
  const list = effort === 'tooHard' || share < 0.5 ? of.hard : share >= 0.9 ? of.well : of.partly;
  return chance() < rate ? list[Math.floor(chance() * list.length)]! : '';
}

/** The one safety word and the questions that nobody has answered yet. */
function withStory({ kind, language }: DemoChild, practices: readonly Practice[]): Practice[] {
  const at = practices.length > 1 ? 1 : 0;
  return practices.flatMap((practice, index): Practice[] => {
    if (index !== at) return kind === 'safetyWord' && index > at ? [] : [practice];
    if (kind === 'question')
      return [
        {
          ...practice,
          isQuestion: true,
          words: language === 'es' ? '¿Puede usar las dos manos si se cansa?' : 'Is it all right to take a break halfway?',
        },
      ];
    const one = practice.left === null ? { amount: 1 } : { left: 1, right: 0 };
    return [
      {
        ...practice,
        ...one,
        minutes: null,
        hurt: true,
        stopReason: 'pain',
        effort: 'tooHard',
        words: 'The thumb hurt and went red. We stopped.',
      },
    ];
  });
}

/** The last day before a day on which one of the tasks is planned; null where none is within a fortnight. */
export function lastPlannedBefore(tasks: readonly Pick<AskedTask, 'weekdays'>[], day: CalendarDay): CalendarDay | null {
  for (let back = 1; back <= 14; back += 1) {
    const candidate = addDays(day, -back);
    if (tasks.some(({ weekdays }) => weekdays.includes(weekdayOf(candidate)))) return candidate;
  }
  return null;
}
