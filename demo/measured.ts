import { daysBetween, weekdayOf, type CalendarDay } from '@/core/calendar';
import type { GoalContent } from '@/core/goals';
import { valuesOf } from '@/core/goals';
import { HELP_LEVELS } from '@/core/vocabulary';
import { keyOf } from '@/server/reports/keyOf';
import { chanceOf } from './chanceOf';

/** Every so many days a goal is looked at, where nothing comes between. */
const EVERY = 13;

/** A goal of a child of the demo. */
export interface DemoGoal {
  readonly childId: number;
  readonly goalId: number;
  readonly content: GoalContent;
  /** The child's place in the demo, and the goal's among the child's. */
  readonly index: number;
}

/**
 * Simulates the therapist's measurement of a goal on a day; null on most days. Children move at a pace of their own, some not at
 * all, and every seventh is measured half as often, so that of theirs too little is known.
 */
export function measuredOn({ childId, goalId, content, index }: DemoGoal, day: CalendarDay): unknown {
  const { measure, reviewOn } = content;
  const values = valuesOf(measure);
  if (!values || measure.kind === 'words') return null;
  const days = daysBetween(measure.baselineOn, day);
  const every = index % 7 === 6 ? EVERY * 2 : EVERY;
  if (days < 7 || (days + index * 3) % every !== 0 || weekdayOf(day) > 5) return null;
  const chance = chanceOf('measured', goalId, day);
  const pace = [1.25, 1.05, 0.65, 1.15, 0.1, 0.9][index % 6]!;
  const share = (days / daysBetween(measure.baselineOn, reviewOn)) * pace + (chance() - 0.5) * 0.16;
  const value = values.from + Math.max(0, share) * (values.to - values.from);
  const nothing = {
    goalId,
    taskId: null,
    step: null,
    measuredOn: day,
    good: null,
    trials: null,
    help: null,
    level: null,
    minutes: null,
    watched: {},
    note: '',
  };
  const told = {
    count: () => ({
      good: Math.min(measure.kind === 'count' ? measure.of : 0, Math.round(value)),
      trials: measure.kind === 'count' ? measure.of : 0,
      help: chance() < 0.5 ? 'words' : 'alone',
    }),
    help: () => ({ help: HELP_LEVELS[Math.min(HELP_LEVELS.length - 1, Math.round(value))] }),
    rating: () => ({ level: Math.min(values.to, Math.round(value)) }),
    minutes: () => ({ minutes: Math.round(value * 2) / 2 }),
  }[measure.kind]();
  return { childId, entryKey: keyOf(`demo measure ${goalId} ${day}`), measurement: { ...nothing, ...told } };
}
