import { z } from 'zod';
import { goalSchema, type GoalContent } from '@/core/goals';
import { goalFigures, type GoalFigures, type GoalLog, type SourcedPoint } from '@/core/progress';
import { HELP_LEVELS } from '@/core/vocabulary';
import type { CalendarDay } from '@/core/calendar';

/** A goal at the end of a period: its words, the log as it was, and the figures that were made of it. */
export interface Frozen {
  readonly form: 1;
  readonly goal: GoalContent;
  readonly log: GoalLog;
  readonly until: CalendarDay;
  readonly figures: GoalFigures;
  /** The names behind the numbers of help in `figures`: the place of a level is another one where a level is added. */
  readonly helpLevels: readonly string[];
}

export function freeze(goal: GoalContent, log: GoalLog, until: CalendarDay): Frozen {
  return { form: 1, goal, log, until, figures: goalFigures(goal, log, until), helpLevels: HELP_LEVELS };
}

const frozenSchema = z.object({
  form: z.literal(1),
  goal: goalSchema,
  log: z.unknown(),
  until: z.string(),
  figures: z.unknown(),
  helpLevels: z.array(z.string()),
});

/**
 * Reads what `freeze` wrote. Figures of help that were calculated with other levels are calculated again from the frozen log, which
 * names each level.
 * @throws ZodError for anything else
 */
export function readFrozen(content: unknown): Frozen {
  const frozen = frozenSchema.parse(content) as unknown as Frozen;
  const isOfToday = frozen.helpLevels.join() === HELP_LEVELS.join();
  if (isOfToday || frozen.goal.measure.kind !== 'help') return frozen;
  return freeze(frozen.goal, frozen.log, frozen.until);
}

/** How a closed period would be otherwise by what is known now. */
export interface ChangedSince {
  readonly ownAdded: number;
  readonly ownGone: number;
  readonly ownOther: number;
  readonly familyAdded: number;
  readonly familyGone: number;
  readonly familyOther: number;
  /** The standing that today's log comes to, where it is another one. */
  readonly standing: string | null;
}

export function whatChanged(then: GoalFigures, now: GoalFigures): ChangedSince {
  const own = compare(then.ownPoints, now.ownPoints);
  const family = compare(then.family, now.family);
  const standing = now.own?.standing ?? null;
  return {
    ownAdded: own.added,
    ownGone: own.gone,
    ownOther: own.other,
    familyAdded: family.added,
    familyGone: family.gone,
    familyOther: family.other,
    standing: standing === (then.own?.standing ?? null) ? null : standing,
  };
}

function compare(then: readonly SourcedPoint[], now: readonly SourcedPoint[]) {
  const before = new Map(then.map((point) => [point.sourceId, point]));
  const after = new Map(now.map((point) => [point.sourceId, point]));
  const kept = [...before].filter(([id]) => after.has(id));
  const isOther = ([id, { value, day, help }]: readonly [number, SourcedPoint]) => {
    const other = after.get(id)!;
    return other.value !== value || other.day !== day || other.help !== help;
  };
  return { added: after.size - kept.length, gone: before.size - kept.length, other: kept.filter(isOther).length };
}
