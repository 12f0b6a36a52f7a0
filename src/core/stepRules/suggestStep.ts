import { daysBetween } from '../calendar';
import { DEFAULT_OUTCOME_SETTINGS, isRefusal, outcomeOf, type DatedSession, type Outcome, type OutcomeSettings } from '../reports';
import { RULES, type Rule } from './rules';
import type { Suggestion, TaskStanding } from './suggestion';
import { inARow, mOfN, trailing, withinBand, type Judged, type Verdict } from './verdicts';

/**
 * Suggests a step for a task, never more than one step away. A step up needs the help to be reported in one of its sessions at
 * least; a session at another step counts for that step only; a pause longer than the rule allows restarts the count; a task on
 * hold waits for a person, whatever was reached; at the top of the ladder it says so; at its foot a struggle holds. The order in
 * which reports arrived changes nothing, the order of practice does; of two on one day the poorer counts as the later. Source:
 * common practice, no published source.
 */
export function suggestStep(
  standing: TaskStanding,
  rule: Rule = RULES.streak,
  outcomes: OutcomeSettings = DEFAULT_OUTCOME_SETTINGS,
): Suggestion {
  const { currentStep, stepCount, stopReportIds } = standing;
  const run = latestRun(standing, rule.settings.gapDays, outcomes);
  const verdict = verdictOf(run, rule, outcomes);
  const reached = trailing(run, 'reached');
  const struggled = trailing(
    run.filter(({ outcome }) => outcome !== 'refused'),
    'struggled',
  );
  const helpTold = (verdict.wants === 'up' ? verdict.because : reached).filter(({ help }) => help !== null).length;
  const counts = {
    sessionsAtStep: run.filter(({ outcome }) => outcome !== 'refused').length,
    reachedInARow: reached.length,
    reachedOnDays: daysOf(reached),
    struggledInARow: struggled.length,
    struggledOnDays: daysOf(struggled),
    helpTold,
    refused: run.filter(({ outcome, stopReason }) => outcome === 'refused' || stopReason === 'upset').length,
    ...(verdict.last && { last: verdict.last }),
  };
  const stay = (move: Suggestion['move'], reportIds: readonly number[], whatWouldChange: Suggestion['whatWouldChange']): Suggestion => ({
    move,
    toStep: currentStep,
    rule,
    evidence: { reportIds, ...counts },
    whatWouldChange,
  });
  const ids = verdict.because.map(({ reportId }) => reportId);

  if (stopReportIds.length > 0) return stay('holdForPerson', stopReportIds, { code: 'personReads' });
  if (verdict.wants === 'down' && currentStep > 1) return { ...stay('down', ids, verdict.change), toStep: currentStep - 1 };
  if (verdict.wants === 'up') {
    if (currentStep >= stepCount) return stay('ladderEnd', ids, verdict.change);
    if (helpTold === 0) return stay('hold', ids, { code: 'helpTold' });
    return { ...stay('up', ids, verdict.change), toStep: currentStep + 1 };
  }
  return stay('hold', ids, verdict.change);
}

function verdictOf(run: readonly Judged[], rule: Rule, outcomes: OutcomeSettings): Verdict {
  if (rule.name === 'mOfN') return mOfN(run, rule.settings);
  if (rule.name === 'band') return withinBand(run, rule.settings, outcomes);
  return inARow(run, rule.settings);
}

const daysOf = (sessions: readonly DatedSession[]) => new Set(sessions.map(({ doneOn }) => doneOn)).size;

/** Done and refused sessions at the present step since it was set, oldest first, from the last long pause on. */
function latestRun({ sessions, currentStep, stepSinceVersion, today }: TaskStanding, gapDays: number, outcomes: OutcomeSettings): Judged[] {
  const own = sessions
    .filter(
      (session) =>
        (session.done || isRefusal(session)) &&
        !session.safetyWord &&
        session.step === currentStep &&
        session.versionNumber >= stepSinceVersion,
    )
    .map((session) => judged(session, outcomes))
    .sort(byDoing);
  const last = own.at(-1);
  if (!last || daysBetween(last.doneOn, today) > gapDays) return [];
  const start = own.reduce((latest, session, index) => {
    const before = own[index - 1];
    return before && daysBetween(before.doneOn, session.doneOn) > gapDays ? index : latest;
  }, 0);
  return own.slice(start);
}

/** Column by column: a caseload has tens of thousands, and a spread copy of a row takes many times as long. */
function judged(session: DatedSession, outcomes: OutcomeSettings): Judged {
  const { reportId, doneOn, step, versionNumber, done, amount, target, help, effort, stopReason, safetyWord } = session;
  const outcome = outcomeOf(session, target, outcomes);
  return { reportId, doneOn, step, versionNumber, done, amount, target, help, effort, stopReason, safetyWord, outcome };
}

const BETTER_FIRST: readonly Outcome[] = ['uncounted', 'reached', 'partly', 'struggled', 'refused'];

/** Sorts by the day of practice; within a day the better outcome first, so that the order of reporting does not decide. */
function byDoing(one: Judged, other: Judged): number {
  if (one.doneOn !== other.doneOn) return one.doneOn < other.doneOn ? -1 : 1;
  return (
    BETTER_FIRST.indexOf(one.outcome) - BETTER_FIRST.indexOf(other.outcome) ||
    (other.amount ?? 0) - (one.amount ?? 0) ||
    one.reportId - other.reportId
  );
}
