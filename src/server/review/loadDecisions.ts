import { EVIDENCE_DAYS, remember, ruleFor, suggestStep, triesAt } from '@/core/stepRules';
import { addDays, calendarDayInZone, instantAfterDays, type CalendarDay } from '@/core/calendar';
import { ageOf, type Child } from '@/core/students';
import { outcomeSettingsAt, type ProgramVersion } from '@/core/programs';
import { groupBy } from '@/core/groupBy';
import { decisionsFor, heldByAge, isOfStop, type ChildSituation, type Decision, type SettledDecision } from '@/core/review';
import {
  childrenWithOpenedLink,
  currentVersions,
  factChangesSince,
  floodedLinks,
  gradeChanges,
  lastWords,
  leadRules,
  openStops,
  sessionsAt,
  sessionsAtPresentSteps,
  standingDecisions,
  textsForAPerson,
  unreadReports,
  unseenClips,
  type Stop,
  type Work,
} from '@/db';
import type { Context } from '../context';
import { stoppedTasksOf } from '../programs/stoppedTasks';

export interface LoadedDecisions {
  readonly open: readonly Decision[];
  /** The keys of all that the data ask for today, settled or not. */
  readonly asking: ReadonlySet<string>;
  readonly standing: readonly SettledDecision[];
  readonly programs: Map<number, ProgramVersion>;
  readonly today: CalendarDay;
  /** Open holds of these children, by child. */
  readonly stops: Map<number, readonly Stop[]>;
}

/** The viewer, where it matters: for one who may not lift a hold, acknowledging it closes the card. */
export interface Viewer {
  readonly personId: number;
  readonly mayLift: (childId: number) => boolean;
}

/** Rows that the screen has loaded already. */
export interface KnownOfCaseload {
  readonly current: Map<number, ProgramVersion>;
  readonly lastWords: ReadonlyMap<number, CalendarDay>;
  readonly stops: Map<number, readonly Stop[]>;
}

/** Under this key it stands that a person has seen a stop: for others it stays open. */
export function seenKey(key: string, personId: number): string {
  return `${key}:seen:${personId}`;
}

/** For so long a change of a child's facts is held against its running program, which ends or is built anew before. */
const CHANGES_DAYS = 180;
/** Days for which a link over its daily limit is shown. Our own choice. */
const FLOOD_DAYS = 14;

function stoppedNow(child: Child, program: ProgramVersion, today: CalendarDay): ChildSituation['stoppedTasks'] {
  return stoppedTasksOf(child, program, today).map(({ task, findings, blocks }) => ({
    taskId: task.taskId,
    blocks,
    findingKeys: findings.map(({ key }) => key),
  }));
}

/** Reckons what asks for a person among the children, less what was settled or put off. A constant number of queries. */
export async function loadDecisions(
  work: Work,
  context: Context,
  children: readonly Child[],
  timeZone: string,
  seer: Viewer | null = null,
  known: KnownOfCaseload | null = null,
): Promise<LoadedDecisions> {
  const childIds = children.map((child) => child.id);
  const today = calendarDayInZone(context.now(), timeZone);
  const programs = known?.current ?? (await currentVersions(work, childIds));
  const sessions = groupBy(
    await sessionsAtPresentSteps(work, childIds, addDays(today, -EVIDENCE_DAYS)),
    (session) => `${session.childId}:${session.taskId}`,
  );
  const unread = groupBy(await unreadReports(work, childIds), (report) => report.childId);
  const texts = groupBy(await textsForAPerson(work, childIds, instantAfterDays(context.now(), -1)), (text) => text.childId);
  const clips = groupBy(await unseenClips(work, childIds, today), (clip) => clip.childId);
  const rules = await leadRules(work, childIds);
  const stops = known?.stops ?? groupBy(await openStops(work, childIds), (stop) => stop.childId);
  const words = known?.lastWords ?? (await lastWords(work, childIds));
  const opened = await childrenWithOpenedLink(work, childIds);
  const standing = await standingDecisions(work, childIds, today);
  const changed = new Map(
    (await factChangesSince(work, childIds, instantAfterDays(context.now(), -CHANGES_DAYS))).map((each) => [each.childId, each]),
  );
  const flooded = await floodedLinks(work, childIds, addDays(today, -FLOOD_DAYS));
  const situations = children.flatMap((child): ChildSituation[] => {
    const program = programs.get(child.id);
    if (!program) return [];
    const stopsOfChild = stops.get(child.id) ?? [];
    return [
      {
        childId: child.id,
        programId: program.programId,
        versionNumber: program.number,
        sentOn: program.sentOn,
        startsOn: program.startsOn,
        endsOn: program.endsOn,
        isEnded: program.isEnded,
        resumesOn: program.resumesOn,
        lastWordOn: words.get(child.id) ?? null,
        // Families on paper or calls have no link to open.
        linkOpened: child.reportWay !== 'link' || opened.has(child.id),
        unreadReports: unread.get(child.id) ?? [],
        unseenClips: clips.get(child.id) ?? [],
        unreadTextIds: (texts.get(child.id) ?? []).map(({ textId }) => textId),
        stops: stopsOfChild,
        stoppedTasks: changed.has(child.id) ? stoppedNow(child, program, today) : [],
        handChangeId: child.hand === 'unsettled' ? null : (changed.get(child.id)?.handChangeId ?? null),
        floodedOn: flooded.get(child.id) ?? null,
        tasks: program.tasks.map((task) => ({
          taskId: task.taskId,
          stepSinceVersion: task.stepSinceVersion,
          suggestion: suggestStep(
            {
              sessions: sessions.get(`${child.id}:${task.taskId}`) ?? [],
              currentStep: task.step,
              stepSinceVersion: task.stepSinceVersion,
              stepCount: task.content.ladder.steps.length,
              today,
              stopReportIds: stopsOfChild.filter(({ taskId }) => taskId === task.taskId).map(({ reportId }) => reportId),
            },
            ruleFor(task.choices.settings?.advancing, child.taskSettings.advancing, rules.get(child.id)),
            outcomeSettingsAt(task.content, task.step),
          ),
        })),
      },
    ];
  });
  const remembered = await withTries(work, situations, programs, monthsOf(children, today));
  const settled = new Set(standing.filter(({ kind, answer }) => !(isOfStop(kind) && answer === 'later')).map((decision) => decision.key));
  const hasSeen = (decision: Decision) =>
    seer !== null && isOfStop(decision.kind) && !seer.mayLift(decision.childId) && settled.has(seenKey(decision.key, seer.personId));
  const settledToday = standing.filter(({ decidedAt, answer }) => answer !== 'later' && calendarDayInZone(decidedAt, timeZone) === today);
  const calculated = decisionsFor(remembered, today, settledToday);
  const open = calculated.filter((decision) => !settled.has(decision.key) && !hasSeen(decision));
  return { open, asking: new Set(calculated.map(({ key }) => key)), standing, programs, today, stops };
}

const placeOf = ({ childId, taskId }: { readonly childId: number; readonly taskId: number }) => `${childId}:${taskId}`;

/** Children’s ages in whole months. */
function monthsOf(children: readonly Child[], today: CalendarDay): Map<number, number> {
  return new Map(
    children.map((child) => {
      const { years, months } = ageOf(child, today);
      return [child.id, years * 12 + months];
    }),
  );
}

/** Steps up that the rule suggests, with what was tried before at the step they lead to. Two questions, however many there are. */
async function withTries(
  work: Work,
  situations: readonly ChildSituation[],
  programs: ReadonlyMap<number, ProgramVersion>,
  ages: ReadonlyMap<number, number>,
): Promise<ChildSituation[]> {
  const contents = new Map(
    [...programs].flatMap(([childId, { tasks }]) => tasks.map(({ taskId, content }) => [placeOf({ childId, taskId }), content] as const)),
  );
  const ups = situations.flatMap(({ childId, tasks }) =>
    tasks
      .filter(({ suggestion }) => suggestion.move === 'up')
      .map(({ taskId, suggestion }) => ({ childId, taskId, step: suggestion.toStep })),
  );
  const changes = groupBy(ups.length ? await gradeChanges(work, [...new Set(ups.map(({ childId }) => childId))]) : [], placeOf);
  const sessions = groupBy(await sessionsAt(work, ups), placeOf);
  return situations.map((situation) => ({
    ...situation,
    tasks: situation.tasks.map((task) => {
      if (task.suggestion.move !== 'up') return task;
      const place = placeOf({ childId: situation.childId, taskId: task.taskId });
      const { toStep } = task.suggestion;
      const content = contents.get(place)!;
      const tries = triesAt(toStep, changes.get(place) ?? [], sessions.get(place) ?? [], outcomeSettingsAt(content, toStep));
      const suggestion = heldByAge(remember(task.suggestion, tries), content, ages.get(situation.childId) ?? 0);
      return { ...task, suggestion };
    }),
  }));
}
