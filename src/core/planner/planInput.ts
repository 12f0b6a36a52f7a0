import type { Part, Skill } from '../vocabulary';

/** A task as the planner may place it, at the step that it would be given at. */
export interface PlanTask {
  readonly taskId: number;
  readonly part: Part;
  readonly skill: Skill;
  /** Minutes on a day on which it is done, above 0. */
  readonly minutes: number;
  /** How many of them are set-up and tidy-up. */
  readonly chores: number;
  /** On how many days of the week, where it is placed at all; 1 to 7. */
  readonly days: { readonly least: number; readonly most: number };
  /** Firm repetitions a day by hand; 0 for both where the grip is light. */
  readonly grip: { readonly left: number; readonly right: number };
  /** True for one that this child was never given. */
  readonly isNew: boolean;
  /** True for one of the program that the family has now. */
  readonly isUnderWay: boolean;
  /** Tasks of one kind in different dress. */
  readonly family: string | null;
  /** Gain of a day for each goal, in the goal's own repetitions, by the goal's index in the wish. */
  readonly gives: readonly { readonly goal: number; readonly amount: number }[];
  /** Ids of the things that would have to come in a bag. */
  readonly packs: readonly string[];
  readonly isLiked: boolean;
  readonly isOfTheme: boolean;
  /** How its step fits what the child holds now, 0 to 1. */
  readonly fit: number;
}

export interface PlanGoal {
  readonly goalId: number;
  /** Repetitions a week, above 0. */
  readonly asked: number;
}

/** Order of days where any will do: with a day between first. ISO weekdays. */
export const DAY_ORDER = [1, 3, 5, 2, 4, 6, 7] as const;

/** Input from which a week is planned. Days are ISO weekdays. */
export interface PlanInput {
  readonly days: readonly number[];
  /** Minutes that the family has on a day. */
  readonly budget: number;
  readonly tasks: readonly PlanTask[];
  readonly goals: readonly PlanGoal[];
  /** Parts that the week has to have. */
  readonly parts: readonly Part[];
  readonly mostNew: number;
  /** Firm repetitions of a hand on a day. */
  readonly gripCap: number;
  /** Tasks pinned by the therapist, with their days: they stay. */
  readonly pinned: Readonly<Record<number, readonly number[]>>;
  readonly banned: readonly number[];
  /** Tasks of which there is to be more. */
  readonly moreOf: readonly number[];
  /** How many further children need a thing in this week: what is packed for many is little work for one more. */
  readonly packedBesides: Readonly<Record<string, number>>;
}

/** The rules that hold without exception. */
export const PLAN_RULES = [
  'minutes',
  'daysOfTask',
  'gripRest',
  'gripCap',
  'newTasks',
  'family',
  'warmUpFirst',
  'parts',
  'pinned',
  'banned',
] as const;
export type PlanRule = (typeof PLAN_RULES)[number];

/**
 * Weight of each preference. Our own choice: goals lead, continuing a task comes before starting one, and every thing that has to
 * be packed, learned or tidied up costs a little.
 */
export const PLAN_WEIGHTS = {
  /** A goal that gets all it asks for. */
  goal: 100,
  underWay: 12,
  fit: 10,
  liked: 6,
  theme: 4,
  /** Each skill that the week trains. */
  variety: 5,
  moreOf: 8,
  /** Each task that a family has to keep in mind. */
  task: -9,
  /** A minute of set-up and tidy-up. */
  chore: -0.8,
  /** A thing that has to be packed; and where it is packed for others, too. */
  pack: -5,
  packShared: -2,
  /** Keeps two weeks that are as good from changing places: days are taken with one between where that is as good. */
  day: -0.002,
} as const;
