import { z } from 'zod';
import type { RuleName } from '@/core/stepRules';
import { addDays, calendarDayInZone, daysBetween, type CalendarDay } from '@/core/calendar';
import { nameOf } from '@/core/students';
import { dayTargetOf, doseAt } from '@/core/dose';
import { groupBy } from '@/core/groupBy';
import {
  CANDIDATE_IDS,
  CANDIDATES,
  replayFigures,
  type CandidateId,
  type LogFigures,
  type ReplayFigures,
  type Stay,
} from '@/core/simulation';
import { demandsOf, outcomeSettingsAt, type ProgramTask, type ProgramVersion } from '@/core/programs';
import { outcomeOf } from '@/core/reports';
import type { LocalText } from '@/core/text';
import {
  advancingReasonOf,
  advancingRuleOf,
  childrenOf,
  currentVersions,
  gradeChanges,
  inReading,
  sessionsSince,
  workplaceOf,
  type RecordedChange,
  type SessionRow,
} from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';

export interface LabView {
  readonly children: readonly { readonly childId: number; readonly name: string }[];
  /** Student whose log is replayed; null for the whole caseload. */
  readonly child: { readonly childId: number; readonly name: string } | null;
  readonly since: CalendarDay;
  readonly replays: readonly { readonly id: CandidateId; readonly figures: ReplayFigures }[];
  /** Figures of the families in the log, for the trial; null where there are too few. */
  readonly log: LogFigures | null;
  /** Ladders that a trial can be made on, as these children have them. */
  readonly ladders: readonly Ladder[];
  readonly ownRule: RuleName;
  readonly ownReason: string;
}

export interface Ladder {
  readonly slug: string;
  readonly title: LocalText;
  readonly demands: readonly number[];
  readonly startStep: number;
  readonly target: number;
}

const optionsSchema = z.object({ child: z.coerce.number().int().positive().optional().catch(undefined) });
/** Days of a log that are replayed. */
const LOG_DAYS = 180;
/** Fewer say nothing of a child. */
const LEAST_SESSIONS = 3;
const [LEAST_TARGET, MOST_TARGET] = [4, 30];

/** A caseload's log, or a child's, replayed under every candidate; and what a trial starts from. @throws AppError notAllowed, notFound */
export async function viewLab(context: Context, actor: PersonActor, raw: unknown): Promise<LabView> {
  const { child: childId } = parseInput(optionsSchema, raw);
  requireMay(actor, 'seeProgress');
  const view = await inReading(context.db, async (work) => {
    const own = (await childrenOf(work, actor.personId)).map(({ child }) => ({ childId: child.id, name: nameOf(child) }));
    const child = own.find((each) => each.childId === childId) ?? null;
    if (childId !== undefined && !child) throw new AppError('notFound');
    const ids = child ? [child.childId] : own.map((each) => each.childId);
    const today = calendarDayInZone(context.now(), (await workplaceOf(work)).timeZone);
    const since = addDays(today, -LOG_DAYS);
    const programs = await currentVersions(work, ids);
    const places = placesOf(programs, await gradeChanges(work, ids), await sessionsSince(work, ids, since), today);
    const stays = places.flatMap((place) => place.stays);
    return {
      children: own.sort((one, other) => one.name.localeCompare(other.name)),
      child,
      since,
      replays: CANDIDATE_IDS.map((id) => ({ id, figures: replayFigures(stays, CANDIDATES[id]) })),
      log: logOf(places),
      ladders: laddersOf(programs),
      ownRule: (await advancingRuleOf(work, actor.personId)) ?? ('streak' as const),
      ownReason: await advancingReasonOf(work, actor.personId),
    };
  });
  await context.looks.note(
    entryOf(actor, context.now(), childId === undefined ? view.children.map((each) => each.childId) : [childId], 'lab.viewed'),
  );
  return view;
}

/** A task of a child: its stays at steps, and its figures. */
interface Place {
  readonly stays: readonly Stay[];
  readonly sessions: readonly SessionRow[];
  readonly task: ProgramTask;
  readonly changes: number;
  readonly days: number;
}

function placesOf(
  programs: ReadonlyMap<number, ProgramVersion>,
  changes: readonly RecordedChange[],
  sessions: readonly SessionRow[],
  today: CalendarDay,
): Place[] {
  const keyOf = (each: { readonly childId: number; readonly taskId: number }) => `${each.childId}:${each.taskId}`;
  const changesAt = groupBy(changes, keyOf);
  const sessionsAt = groupBy(sessions, keyOf);
  return [...programs].flatMap(([childId, { tasks }]) =>
    tasks.map((task): Place => {
      const own = sessionsAt.get(keyOf({ childId, taskId: task.taskId })) ?? [];
      const path = changesAt.get(keyOf({ childId, taskId: task.taskId })) ?? [];
      const first = path[0]?.changedOn ?? today;
      return {
        task,
        sessions: own,
        stays: staysOf(task, path, own),
        changes: path.filter(({ fromStep, toStep }) => fromStep !== null && fromStep !== toStep).length,
        days: Math.max(1, daysBetween(first, today)),
      };
    }),
  );
}

/** The stays at steps that a rule can be asked about: each from the change that led there to the one that ended it by a single step. */
function staysOf({ content }: ProgramTask, path: readonly RecordedChange[], sessions: readonly SessionRow[]): Stay[] {
  return path.flatMap(({ toStep, versionNumber }, index): Stay[] => {
    const next = path[index + 1];
    const by = next ? next.toStep - toStep : 0;
    // Placed anew at quite another step: no rule does that, and none is held against it.
    if (next && Math.abs(by) !== 1) return [];
    const during = sessions.filter((each) => each.versionNumber >= versionNumber && (!next || each.versionNumber < next.versionNumber));
    if (during.length === 0) return [];
    return [
      {
        step: toStep,
        stepCount: content.ladder.steps.length,
        sinceVersion: versionNumber,
        sessions: during,
        ended: next ? { move: by > 0 ? 'up' : 'down', on: next.changedOn } : null,
        outcomes: outcomeSettingsAt(content, toStep),
      },
    ];
  });
}

const DAYS_A_MONTH = 365.25 / 12;

function logOf(places: readonly Place[]): LogFigures | null {
  const told = places.filter(({ sessions }) => sessions.length >= LEAST_SESSIONS);
  if (told.length === 0) return null;
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const shareOf = ({ sessions, task }: Place, wanted: 'reached' | 'struggled') =>
    sessions.filter((session) => outcomeOf(session, session.target, outcomeSettingsAt(task.content, session.step)) === wanted).length /
    sessions.length;
  return {
    children: told.length,
    practises: mean(told.map(({ sessions, task, days }) => Math.min(1, sessions.length / Math.max(1, (days * task.weekdays.length) / 7)))),
    reachedShare: mean(told.map((place) => shareOf(place, 'reached'))),
    struggledShare: mean(told.map((place) => shareOf(place, 'struggled'))),
    changesAMonth: mean(told.map(({ changes, days }) => (changes / days) * DAYS_A_MONTH)),
  };
}

function laddersOf(programs: ReadonlyMap<number, ProgramVersion>): Ladder[] {
  const bySlug = new Map<string, Ladder>();
  for (const { content, dose } of [...programs.values()].flatMap(({ tasks }) => tasks)) {
    const demands = demandsOf(content);
    if (bySlug.has(content.slug) || demands.length < 2) continue;
    const asked = dayTargetOf(doseAt(dose, content.ladder.startStep)) ?? LEAST_TARGET;
    const target = Math.round(Math.min(MOST_TARGET, Math.max(LEAST_TARGET, asked)));
    bySlug.set(content.slug, { slug: content.slug, title: content.title, demands, startStep: content.ladder.startStep, target });
  }
  return [...bySlug.values()].sort((one, other) => one.title.en.localeCompare(other.title.en));
}
