import { parentPort, workerData } from 'node:worker_threads';
import { RULES } from '@/core/stepRules';
import { addDays, calendarDay, daysFromTo, weekdayOf, type CalendarDay } from '@/core/calendar';
import type { GradeChange, SentVersion } from '@/core/programs';
import { seededRandom } from '@/core/random';
import { rebuildFigures, type ChildLog, type LoggedSession } from '@/core/rebuild';
import { DEFAULT_OUTCOME_SETTINGS } from '@/core/reports';
import { HELP_LEVELS } from '@/core/vocabulary';

/** A district's log, child by child, and every figure of it reckoned anew. Only the reckoning is timed: what a log is made of here, a database would give. */
const TODAY = calendarDay('2026-11-24');
const BEGUN = addDays(TODAY, -3 * 365);
const DAYS = daysFromTo(BEGUN, TODAY);
const TASKS = [1, 2, 3, 4];
const STEPS = 7;
const DAYS_A_VERSION = 21;
const REPORTED = 0.44;

function logOf(child: number): ChildLog {
  const chance = seededRandom(child + 1);
  const versions: SentVersion[] = [];
  const changes: GradeChange[] = [];
  const sessions: LoggedSession[] = [];
  const steps = new Map(TASKS.map((taskId) => [taskId, { step: 3, since: 1 }]));
  for (const [place, day] of DAYS.entries()) {
    if (place % DAYS_A_VERSION === 0) versions.push(versionOn(day, versions.length + 1, steps, changes, chance));
    if (weekdayOf(day) > 5) continue;
    for (const taskId of TASKS) {
      if (chance() > REPORTED) continue;
      const target = 10;
      sessions.push({
        reportId: sessions.length + 1,
        taskId,
        doneOn: day,
        step: steps.get(taskId)!.step,
        versionNumber: versions.length,
        done: chance() > 0.05,
        amount: Math.round(target * Math.min(1, 0.5 + chance())),
        target,
        help: HELP_LEVELS[3 + Math.floor(chance() * 3)]!,
        effort: chance() < 0.05 ? 'tooHard' : 'right',
        stopReason: null,
        safetyWord: false,
        isHarm: false,
        holds: false,
      });
    }
  }
  const tasks = TASKS.map((taskId) => {
    const { step, since } = steps.get(taskId)!;
    return { taskId, step, stepSinceVersion: since, stepCount: STEPS, rule: RULES.streak, outcomesAt: () => DEFAULT_OUTCOME_SETTINGS };
  });
  return { versions, changes, sessions, tasks };
}

function versionOn(
  day: CalendarDay,
  number: number,
  steps: Map<number, { step: number; since: number }>,
  changes: GradeChange[],
  chance: () => number,
): SentVersion {
  for (const taskId of TASKS) {
    const { step } = steps.get(taskId)!;
    const next = Math.min(STEPS, Math.max(1, step + Math.floor(chance() * 3) - 1));
    if (next === step && number > 1) continue;
    changes.push({ taskId, fromStep: number === 1 ? null : step, toStep: next, changedOn: day });
    steps.set(taskId, { step: next, since: number });
  }
  const tasks = TASKS.map((taskId) => ({ taskId, weekdays: [1, 2, 3, 4, 5], target: 10, unit: 'repetitions' as const }));
  return { number, startsOn: day, endsOn: addDays(day, DAYS_A_VERSION + 10), sentOn: day, resumesOn: null, isEnded: false, tasks };
}

const { children } = workerData as { readonly children: number };
let reports = 0;
let milliseconds = 0;
// The result has to be used, or an optimizing engine leaves the calculation out.
let figures = 0;
for (let child = -20; child < children; child += 1) {
  const log = logOf(Math.abs(child));
  const start = performance.now();
  const rebuilt = rebuildFigures(log, DAYS, TODAY);
  if (child < 0) continue;
  milliseconds += performance.now() - start;
  reports += log.sessions.length;
  figures += rebuilt.practice.adherence.knownDone + rebuilt.tasks.length;
}
parentPort!.postMessage({ reports, milliseconds, figures });
