import { practiceOf, type Practice } from '../adherence';
import { EVIDENCE_DAYS, remember, suggestStep, triesAt, type Rule, type Suggestion } from '../stepRules';
import { addDays, type CalendarDay } from '../calendar';
import { groupBy } from '../groupBy';
import { daysAtSteps, plannedSpans, type GradeChange, type SentVersion } from '../programs';
import { outcomeOf, OUTCOMES, type DatedSession, type Outcome, type OutcomeSettings } from '../reports';

/** A report as the log keeps it. */
export interface LoggedSession extends DatedSession {
  readonly taskId: number;
  /** Pain or an injury was reported, or pressed by mistake: no practice, though it is a report. */
  readonly isHarm: boolean;
  /** It closes its task till a person lifts it. */
  readonly holds: boolean;
}

/** A task as the newest version asks for it. */
export interface StandingTask {
  readonly taskId: number;
  readonly step: number;
  readonly stepSinceVersion: number;
  readonly stepCount: number;
  readonly rule: Rule;
  /** Settings that decide whether a session at a step met its target. */
  readonly outcomesAt: (step: number) => OutcomeSettings;
}

/** Everything that was written down of a child's practice, and nothing that was reckoned from it. */
export interface ChildLog {
  readonly versions: readonly SentVersion[];
  /** Oldest first. */
  readonly changes: readonly GradeChange[];
  readonly sessions: readonly LoggedSession[];
  readonly tasks: readonly StandingTask[];
}

export interface TaskFigures {
  readonly taskId: number;
  readonly daysSpent: readonly number[];
  readonly closed: boolean;
  /** How many sessions came out how, at each step that was done, whichever version asked for it. */
  readonly outcomes: ReadonlyMap<number, Readonly<Record<Outcome, number>>>;
  /** As the rule has it, with its memory of earlier tries; what age holds back is not looked at here. */
  readonly suggestion: Suggestion;
}

export interface ChildFigures {
  readonly practice: Practice;
  /** Null where no word ever came. */
  readonly lastWordOn: CalendarDay | null;
  readonly tasks: readonly TaskFigures[];
}

/**
 * Every figure that screens show of a child's practice, from its log alone. Screens have their own narrower questions to the database; that they come to the
 * same is what a test compares.
 * @param days the days over which practice is told
 */
export function rebuildFigures(log: ChildLog, days: readonly CalendarDay[], today: CalendarDay): ChildFigures {
  const sessions = log.sessions.filter(({ isHarm }) => !isHarm);
  const first = days[0]!;
  const ofTask = groupBy(sessions, ({ taskId }) => taskId);
  const changesOf = groupBy(log.changes, ({ taskId }) => taskId);
  const since = addDays(today, -EVIDENCE_DAYS);
  return {
    practice: practiceOf(
      days,
      plannedSpans(log.versions),
      sessions.filter(({ doneOn }) => doneOn >= first),
      today,
    ),
    lastWordOn: log.sessions.reduce<CalendarDay | null>((last, { doneOn }) => (last === null || doneOn > last ? doneOn : last), null),
    tasks: log.tasks.map((task): TaskFigures => {
      const own = ofTask.get(task.taskId) ?? [];
      const changes = changesOf.get(task.taskId) ?? [];
      // A press by mistake is no practice, and keeps its task on hold until a person opens it.
      const holding = log.sessions.filter(({ taskId, holds }) => holds && taskId === task.taskId).map(({ reportId }) => reportId);
      const standing = {
        sessions: own.filter((each) => each.step === task.step && each.versionNumber >= task.stepSinceVersion && each.doneOn >= since),
        currentStep: task.step,
        stepSinceVersion: task.stepSinceVersion,
        stepCount: task.stepCount,
        today,
        stopReportIds: holding,
      };
      const plain = suggestStep(standing, task.rule, task.outcomesAt(task.step));
      const suggestion = plain.move === 'up' ? remember(plain, triesAt(plain.toStep, changes, own, task.outcomesAt(plain.toStep))) : plain;
      return {
        taskId: task.taskId,
        daysSpent: daysAtSteps(changes, task.stepCount, today),
        closed: holding.length > 0,
        outcomes: outcomesOf(own, task),
        suggestion,
      };
    }),
  };
}

function outcomesOf(sessions: readonly LoggedSession[], { outcomesAt }: StandingTask): TaskFigures['outcomes'] {
  const counts = new Map<number, Record<Outcome, number>>();
  const settings = new Map<number, OutcomeSettings>();
  for (const session of sessions) {
    const { step, target } = session;
    if (!settings.has(step)) {
      settings.set(step, outcomesAt(step));
      counts.set(step, Object.fromEntries(OUTCOMES.map((outcome) => [outcome, 0])) as Record<Outcome, number>);
    }
    counts.get(step)![outcomeOf(session, target, settings.get(step))] += 1;
  }
  return counts;
}
