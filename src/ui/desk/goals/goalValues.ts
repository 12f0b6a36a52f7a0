import type { CalendarDay } from '@/core/calendar';
import type { GoalContent, GoalPattern } from '@/core/goals';
import type { HelpLevel } from '@/core/vocabulary';
import type { Skill } from '@/core/vocabulary';

export type MeasureKind = 'count' | 'help' | 'minutes' | 'rating';

/** A goal as a form holds it: numbers as they are typed. */
export interface GoalValues {
  readonly skill: Skill;
  readonly statement: string;
  readonly kind: MeasureKind;
  readonly of: string;
  readonly from: string;
  readonly to: string;
  readonly helpFrom: HelpLevel;
  readonly helpTo: HelpLevel;
  /** Levels, a line each, the lowest first. */
  readonly levels: string;
  /** Places in the levels, 1-based as they are numbered for people. */
  readonly levelFrom: string;
  readonly levelTo: string;
  readonly baselineOn: string;
  readonly mostHelp: HelpLevel;
  readonly sessions: string;
  readonly reviewOn: string;
  readonly taskIds: string[];
  readonly why: string;
}

export function goalValuesFrom(goal: GoalContent | null, today: CalendarDay, reviewOn: CalendarDay | null): GoalValues {
  const blank: GoalValues = {
    skill: 'forceModulation',
    statement: '',
    kind: 'count',
    of: '10',
    from: '',
    to: '8',
    helpFrom: 'steadied',
    helpTo: 'alone',
    levels: '',
    levelFrom: '1',
    levelTo: '3',
    baselineOn: today,
    mostHelp: 'words',
    sessions: '3',
    reviewOn: reviewOn ?? '',
    taskIds: [],
    why: '',
  };
  if (!goal) return blank;
  const { skill, statement, measure, mostHelp } = goal;
  const said = {
    ...blank,
    skill,
    statement,
    mostHelp,
    sessions: String(goal.sessions),
    reviewOn: goal.reviewOn,
    taskIds: goal.taskIds.map(String),
  };
  switch (measure.kind) {
    case 'words':
      // Its numbers are still to be said.
      return said;
    case 'help':
      return { ...said, kind: 'help', helpFrom: measure.from, helpTo: measure.to, baselineOn: measure.baselineOn };
    case 'rating': {
      const { levels, from, to, baselineOn } = measure;
      return { ...said, kind: 'rating', levels: levels.join('\n'), levelFrom: String(from + 1), levelTo: String(to + 1), baselineOn };
    }
    default:
      return {
        ...said,
        kind: measure.kind,
        of: measure.kind === 'count' ? String(measure.of) : blank.of,
        from: String(measure.from),
        to: String(measure.to),
        baselineOn: measure.baselineOn,
      };
  }
}

/** Fills in a pattern of the goal bank; baseline and days are the student's own. */
export function withPattern(values: GoalValues, { skill, statement, measure, mostHelp, sessions }: GoalPattern): GoalValues {
  const filled = { ...values, skill, statement, mostHelp, sessions: String(sessions), kind: measure.kind };
  switch (measure.kind) {
    case 'count':
      return { ...filled, of: String(measure.of), to: String(measure.to) };
    case 'minutes':
      return { ...filled, to: String(measure.to) };
    case 'help':
      return { ...filled, helpTo: measure.to };
    case 'rating':
      return { ...filled, levels: measure.levels.join('\n'), levelFrom: '1', levelTo: String(measure.levels.length) };
  }
}

const amount = (text: string) => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));

/** The goal that a form tells, for the schema to read. */
export function goalFrom(values: GoalValues): Record<string, unknown> {
  const { skill, statement, mostHelp, reviewOn, baselineOn } = values;
  return {
    skill,
    statement,
    mostHelp,
    reviewOn,
    sessions: amount(values.sessions),
    taskIds: values.taskIds.map(Number),
    measure: { kind: values.kind, baselineOn, ...partsOf(values) },
  };
}

function partsOf(values: GoalValues): Record<string, unknown> {
  switch (values.kind) {
    case 'count':
      return { of: amount(values.of), from: amount(values.from), to: amount(values.to) };
    case 'minutes':
      return { from: amount(values.from), to: amount(values.to) };
    case 'help':
      return { from: values.helpFrom, to: values.helpTo };
    case 'rating': {
      const levels = values.levels
        .split('\n')
        .map((line) => line.trim())
        .filter(Boolean);
      return { levels, from: amount(values.levelFrom) - 1, to: amount(values.levelTo) - 1 };
    }
  }
}
