import { addDays, calendarDayInZone, instantAfterDays, type CalendarDay } from '@/core/calendar';
import { nameOf, type Child } from '@/core/students';
import { stepTimeline, outcomesByStep, type StepOutcomes, type ProgramTask, type ProgramVersion, type StepTimeline } from '@/core/programs';
import { atOneStep, isOfStop, silenceActionsOf, type AtOneStep, type Decision, type SettledDecision } from '@/core/review';
import type { SafetyFinding } from '@/core/safety';
import type { LocalText } from '@/core/text';
import {
  childrenOf,
  dangersSince,
  decisionsOfChild,
  gradeChanges,
  inReading,
  messagesOf,
  phrasesOf,
  reportLog,
  sentBackClips,
  sessionsOfTasks,
  textsById,
  workplaceOf,
  type IncomingRow,
  type Phrase,
  type PastDanger,
  type MessageRow,
  type RecordedChange,
  type Stop,
  type Work,
} from '@/db';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { may } from '../may';
import { loggedReports, type LoggedReport } from '../reports/loggedReports';
import { stoppedTasksOf } from '../programs/stoppedTasks';
import { toDoOf, type ToDo } from '../reports/toDo';
import { bareClip, type BareClip } from '../videos/bareClip';
import { cardContext, type CardContext } from './cardContext';
import { loadDecisions } from './loadDecisions';

export interface ReviewView {
  readonly today: CalendarDay;
  /** Settled today by this person, oldest first, then what is open, most urgent first. */
  readonly settledToday: readonly SettledDecision[];
  readonly open: readonly Decision[];
  readonly names: Readonly<Record<number, string>>;
  readonly here: DecisionInFull | null;
  /** Today's messages to this person's families: waiting or sent, latest first. */
  readonly post: readonly MessageRow[];
  readonly timeZone: string;
  /** Put off by this person till another day, the next first. */
  readonly snoozed: readonly SettledDecision[];
  /** Colleagues' decisions on this person's students in the last days, latest first. */
  readonly colleagues: readonly SettledDecision[];
  /** Work for an assistant; null for others, who see it in the Logbook. */
  readonly toDo: ToDo | null;
  /** Tasks on hold after an injury report, decided on or not. */
  readonly holds: number;
  /** Groups of cards about the same step of a task, the largest first. */
  readonly outcomesPerStep: readonly StepOutcomesGroup[];
  /** The one of them that is looked at alone: `open` holds its cards. */
  readonly onlyStep: StepOutcomesGroup | null;
}

export interface StepOutcomesGroup extends AtOneStep {
  readonly title: LocalText;
  /** How this person's children fared at it before. */
  readonly stepOutcomes: StepOutcomes | null;
}

export interface DecisionInFull {
  readonly decision: Decision;
  readonly child: Child;
  readonly mayChange: boolean;
  readonly program: ProgramVersion;
  readonly task: ProgramTask | null;
  /** Facts of the child that stop the task; empty for every other kind of card. */
  readonly findings: readonly SafetyFinding[];
  readonly timeline: StepTimeline | null;
  readonly reports: readonly LoggedReport[];
  /** Texts that nobody could read, oldest first. */
  readonly texts: readonly IncomingRow[];
  /** The family's videos of this task, or, where the card has none, of any; the latest first. */
  readonly clips: readonly BareClip[];
  /** Open holds of the child, on this task and on others. */
  readonly stops: readonly Stop[];
  /** How this person's children fared at the step that is suggested; null where none is. */
  readonly stepOutcomes: StepOutcomes | null;
  readonly context: CardContext;
  /** This person's earlier phrases in this language, the latest used first. */
  readonly phrases: readonly Phrase[];
  /** Other open cards of the child. */
  readonly alsoOpen: readonly Decision[];
  /** Earlier actions on silence, latest first. */
  readonly earlierActions: readonly SettledDecision[];
  /** Earlier reports of harm of the last weeks, oldest first: a second one is told. */
  readonly dangers: readonly PastDanger[];
}

const REPORTS_SHOWN = 8;
const PHRASES_SHOWN = 12;
const POST_SHOWN = 8;
/** Days and number of colleagues' decisions that are shown. Our own choice. */
const COLLEAGUES_DAYS = 7;
const COLLEAGUES_SHOWN = 20;
const ACTIONS_READ = 20;
const ACTIONS_SHOWN = 3;
/** A second injury within so many days is told on the card. Common practice, no source. */
const DANGER_DAYS = 30;

/**
 * The queue of decisions and the one that is being looked at.
 * @param tread looks at what stands at one tread alone: its task and step, as in `12:4`
 */
export async function viewReview(
  context: Context,
  actor: PersonActor,
  at: string | null,
  stepOutcomes: string | null = null,
): Promise<ReviewView> {
  const { childIds, ...view } = await inReading(context.db, async (work) => {
    const own = await childrenOf(work, actor.personId);
    const children = own.map((each) => each.child);
    const { timeZone } = await workplaceOf(work);
    const accessOf = new Map(own.map((each) => [each.child.id, each.access]));
    const mayLift = (childId: number) => may(actor, accessOf.get(childId) ?? 'assist', 'changeProgram');
    const {
      open: all,
      asking,
      standing,
      programs,
      today,
      stops,
    } = await loadDecisions(work, context, children, timeZone, {
      personId: actor.personId,
      mayLift,
    });
    const changes = await gradeChanges(
      work,
      children.map(({ id }) => id),
    );
    const outcomesPerStep = atOneStep(all).map((group): StepOutcomesGroup => {
      const tasks = [...programs.values()].flatMap((program) => program.tasks);
      const { title } = tasks.find(({ taskId }) => taskId === group.taskId)!.content;
      return { ...group, title, stepOutcomes: outcomesByStep(group.taskId, changes).find(({ step }) => step === group.step) ?? null };
    });
    const onlyStep = outcomesPerStep.find(({ taskId, step }) => stepOutcomes === `${taskId}:${step}`) ?? null;
    const open = onlyStep ? all.filter(({ key }) => onlyStep.keys.includes(key)) : all;
    const decision = open.find((candidate) => candidate.key === at) ?? open[0] ?? null;
    const settledToday = standing.filter(
      (settled) =>
        settled.decidedBy === actor.personId &&
        settled.answer !== 'later' &&
        !leavesItOpen(settled, mayLift) &&
        calendarDayInZone(settled.decidedAt, timeZone) === today,
    );
    const whose = own.find((each) => each.child.id === decision?.childId);
    const full =
      decision &&
      whose &&
      (await inFull(work, decision, whose.child, programs.get(whose.child.id)!, today, stops.get(whose.child.id) ?? [], changes));
    const colleaguesSince = instantAfterDays(context.now(), -COLLEAGUES_DAYS);
    const snoozed = standing
      // A snoozed card that the data no longer ask for never returns.
      .filter(
        ({ key, answer, decidedBy, laterUntil }) =>
          answer === 'later' && decidedBy === actor.personId && laterUntil !== null && asking.has(key),
      )
      .sort((one, other) => (one.laterUntil! < other.laterUntil! ? -1 : 1));
    return {
      childIds: children.map((child) => child.id),
      today,
      timeZone,
      post: (
        await messagesOf(
          work,
          children.map((child) => child.id),
          POST_SHOWN,
        )
      ).filter(({ createdAt }) => calendarDayInZone(createdAt, timeZone) === today),
      settledToday,
      snoozed,
      colleagues: standing
        .filter(({ decidedBy, decidedAt, answer }) => decidedBy !== actor.personId && answer !== 'later' && decidedAt >= colleaguesSince)
        .toReversed()
        .slice(0, COLLEAGUES_SHOWN),
      toDo: actor.role === 'assistant' ? await toDoOf(work, context, children, today) : null,
      open,
      holds: [...stops.values()].reduce((sum, own) => sum + new Set(own.map(({ taskId }) => taskId)).size, 0),
      outcomesPerStep,
      onlyStep,
      names: Object.fromEntries(children.map((child) => [child.id, nameOf(child)])),
      here:
        full && whose
          ? {
              ...full,
              phrases: await phrasesOf(work, actor.personId, full.child.familyLanguage, PHRASES_SHOWN),
              alsoOpen: all.filter(({ childId, key }) => childId === full.child.id && key !== full.decision.key),
              mayChange: may(actor, whose.access, 'changeProgram'),
            }
          : null,
    };
  });
  await context.looks.note(entryOf(actor, context.now(), childIds, 'rounds.viewed'));
  return view;
}

/** Decisions about a task on hold that left the card open for this person. */
function leavesItOpen({ kind, answer, childId }: SettledDecision, mayLift: (childId: number) => boolean): boolean {
  if (kind === 'unsafe' && answer === 'wrote') return true;
  return isOfStop(kind) && (answer === 'wrote' || (answer === 'seen' && mayLift(childId)));
}

async function inFull(
  work: Work,
  decision: Decision,
  child: Child,
  program: ProgramVersion,
  today: CalendarDay,
  stops: readonly Stop[],
  all: readonly RecordedChange[],
): Promise<Omit<DecisionInFull, 'mayChange' | 'alsoOpen' | 'phrases'>> {
  const dangers = (await dangersSince(work, child.id, addDays(today, -DANGER_DAYS))).filter(
    ({ reportId }) => !decision.reportIds.includes(reportId),
  );
  const earlierActions =
    silenceActionsOf(decision.kind).length === 0
      ? []
      : (await decisionsOfChild(work, child.id, ACTIONS_READ))
          .filter(({ silenceAction, undoneAt }) => silenceAction !== null && undoneAt === null)
          .slice(0, ACTIONS_SHOWN);
  const task = program.tasks.find((candidate) => candidate.taskId === decision.taskId) ?? null;
  const asksOfFacts = decision.kind === 'unsafe' || decision.kind === 'unsuitable';
  const findings = (asksOfFacts ? stoppedTasksOf(child, program, today) : []).flatMap((stopped) =>
    stopped.task === task ? stopped.findings : [],
  );
  const entries = await reportLog(work, child.id, {
    ...(decision.taskId === null ? {} : { taskId: decision.taskId }),
    most: REPORTS_SHOWN,
  });
  const reports = await loggedReports(work, entries);
  const texts = [...(await textsById(work, decision.textIds)).values()].sort((a, b) => a.id - b.id);
  const clips = (await sentBackClips(work, [child.id], today))
    .filter(({ taskId }) => !task || taskId === task.taskId)
    .map(bareClip)
    .toReversed();
  const sessions = task ? await sessionsOfTasks(work, child.id, [task.taskId]) : [];
  const context = await cardContext(work, child, task, sessions, today);
  const told = { decision, child, program, task, findings, reports, texts, clips, stops, dangers, earlierActions, context };
  if (!task) return { ...told, timeline: null, stepOutcomes: null };
  const changes = all.filter((change) => change.childId === child.id && change.taskId === task.taskId);
  const toStep = decision.suggestion?.toStep ?? null;
  const done = sessions.filter((session) => session.done);
  return {
    ...told,
    timeline: { ...stepTimeline(task, changes, done, today), closed: stops.some((stop) => stop.taskId === task.taskId) },
    stepOutcomes: (toStep !== null && outcomesByStep(task.taskId, all).find(({ step }) => step === toStep)) || null,
  };
}
