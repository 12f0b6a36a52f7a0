import { seededRandom, type Random } from '@/core/random';
import { remember, streakRule, triesAt, type Suggestion } from '@/core/advancing';
import { addDays, daysFromTo, weekdayOf, type CalendarDay } from '@/core/calendar';
import { dayTargetOf } from '@/core/dose';
import { demandsOf, outcomeSettingsAt } from '@/core/program';
import { simulateSession, type SimulatedChild } from '@/core/simulate';
import type { DatedSession, Effort, HelpLevel, StopReason } from '@/core/sessions';
import { doseAtStep, type TaskContent } from '@/core/tasks';
import { HOME_WORDS, type DemoChild, type FamilyKind } from './children';

/** A task as the child is given it. */
export interface DemoTask {
  readonly content: TaskContent;
  readonly weekdays: readonly number[];
}

export interface DemoVersion {
  readonly number: number;
  readonly sentOn: CalendarDay;
  readonly steps: readonly number[];
  readonly stepsSince: readonly number[];
  /** The change that made it; null for the first. */
  readonly change: { readonly taskIndex: number; readonly fromStep: number; readonly suggestion: Suggestion } | null;
}

export interface DemoReport extends DatedSession {
  readonly amount: number;
  readonly taskIndex: number;
  readonly left: number;
  readonly right: number;
  readonly plain: number;
  readonly words: string;
  readonly isQuestion: boolean;
  readonly helpGiven: HelpLevel | null;
}

export interface DemoHistory {
  readonly versions: readonly DemoVersion[];
  readonly reports: readonly DemoReport[];
}

const WEEKS = 10;
/** The therapist's last round was so many days ago: what came since asks for her now. */
const DAYS_SINCE_ROUND = 3;

/** Ten weeks of one family, from a seed: what was sent, what was done, what was said. */
export function simulateHistory(child: DemoChild, tasks: readonly DemoTask[], today: CalendarDay, seed: number): DemoHistory {
  const chance = seededRandom(seed);
  const start = addDays(today, -7 * WEEKS);
  const ladders = tasks.map((task) => demandsOf(task.content));
  const early = child.kind === 'tooHardTooEarly';
  let steps = tasks.map((task, index) => Math.min(ladders[index]!.length - 1, task.content.ladder.startStep + (early ? 2 : 0)));
  const abilities: SimulatedChild[] = ladders.map((demands, index) => ({
    ability: demands[steps[index]! - 1]! + (early ? -0.35 : 0.12 + chance() * 0.3),
    growth: 0.015 + chance() * 0.035,
  }));
  let stepsSince = tasks.map(() => 1);
  const versions: DemoVersion[] = [{ number: 1, sentOn: start, steps, stepsSince, change: null }];
  const reports: DemoReport[] = [];
  let reportId = 0;

  for (const day of daysFromTo(start, today)) {
    const roundDay =
      day > addDays(start, 3) &&
      day <= addDays(today, -DAYS_SINCE_ROUND) &&
      (weekdayOf(day) === 1 || weekdayOf(day) === 4 || day === addDays(today, -DAYS_SINCE_ROUND));
    if (roundDay) {
      tasks.forEach((_, taskIndex) => {
        const taskChanges = versions.flatMap((version): { fromStep: number | null; toStep: number; changedOn: CalendarDay }[] => {
          const { change, sentOn } = version;
          if (change === null) return [{ fromStep: null, toStep: version.steps[taskIndex]!, changedOn: sentOn }];
          return change.taskIndex === taskIndex ? [{ fromStep: change.fromStep, toStep: change.suggestion.toStep, changedOn: sentOn }] : [];
        });
        const own = reports.filter((report) => report.taskIndex === taskIndex);
        const plain = streakRule(
          {
            sessions: own,
            currentStep: steps[taskIndex]!,
            stepSinceVersion: stepsSince[taskIndex]!,
            stepCount: ladders[taskIndex]!.length,
            today: day,
            stopReportIds: [],
          },
          outcomeSettingsAt(tasks[taskIndex]!.content, steps[taskIndex]!),
        );
        const suggestion =
          plain.move === 'up'
            ? remember(plain, triesAt(plain.toStep, taskChanges, own, outcomeSettingsAt(tasks[taskIndex]!.content, plain.toStep)))
            : plain;
        if ((suggestion.move !== 'up' && suggestion.move !== 'down') || (chance() < 0.2 && day < addDays(today, -14))) return;
        const number = versions.length + 1;
        const fromStep = steps[taskIndex]!;
        steps = steps.map((step, index) => (index === taskIndex ? suggestion.toStep : step));
        stepsSince = stepsSince.map((since, index) => (index === taskIndex ? number : since));
        versions.push({ number, sentOn: day, steps, stepsSince, change: { taskIndex, fromStep, suggestion } });
      });
    }
    const week = Math.floor(daysFromTo(start, day).length / 7);
    if (chance() > practiceChance(child.kind, weekdayOf(day), week, day === today)) continue;
    tasks.forEach((task, taskIndex) => {
      if (!task.weekdays.includes(weekdayOf(day)) || chance() > 0.88) return;
      const step = steps[taskIndex]!;
      const dose = doseAtStep(task.content, step);
      const target = dayTargetOf(dose) ?? 0;
      if (chance() < 0.04) {
        reports.push(refused(++reportId, day, step, versions.length, taskIndex, target, child, chance));
        return;
      }
      const session = simulateSession(abilities[taskIndex]!, ladders[taskIndex]![step - 1]!, target, chance);
      abilities[taskIndex] = session.child;
      const perHand = dose.hands === 'each';
      const left = perHand ? Math.min(target / 2, Math.round(session.good / 2)) : 0;
      reports.push({
        ...said(++reportId, day, step, versions.length, taskIndex, target),
        done: true,
        amount: session.good,
        left,
        right: perHand ? session.good - left : 0,
        plain: perHand ? 0 : session.good,
        help: chance() < 0.1 ? null : session.help,
        helpGiven: session.help,
        effort: session.effort,
        stopReason: session.good / target < 0.3 && chance() < 0.3 ? 'tired' : null,
        words: homeWords(child, chance),
      });
    });
  }
  return { versions, reports: withStories(child, reports) };
}

function practiceChance(kind: FamilyKind, weekday: number, week: number, isToday: boolean): number {
  const today = isToday ? 0.45 : 1;
  switch (kind) {
    case 'weekends':
      return today * (weekday >= 6 ? 0.9 : 0.06);
    case 'keenThenQuiet':
      return week < 5 ? 0.85 : week < 8 ? 0.25 : 0;
    case 'paper':
      return week >= 9 ? 0.25 : 0.6;
    case 'texts':
      return today * 0.45;
    case 'neverOpened':
      return 0;
    case 'tooHardTooEarly':
      return today * 0.55;
    default:
      return today * 0.72;
  }
}

function said(reportId: number, doneOn: CalendarDay, step: number, versionNumber: number, taskIndex: number, target: number) {
  return { reportId, doneOn, step, versionNumber, taskIndex, target, safetyWord: false, isQuestion: false };
}

function refused(
  reportId: number,
  day: CalendarDay,
  step: number,
  version: number,
  taskIndex: number,
  target: number,
  child: DemoChild,
  chance: Random,
): DemoReport {
  const reasons: readonly StopReason[] = ['tired', 'time', 'upset'];
  return {
    ...said(reportId, day, step, version, taskIndex, target),
    done: false,
    amount: 0,
    left: 0,
    right: 0,
    plain: 0,
    help: null,
    helpGiven: null,
    effort: null as Effort | null,
    stopReason: reasons[Math.floor(chance() * reasons.length)]!,
    words: child.language === 'es' ? 'hoy no' : 'not today',
  };
}

function homeWords(child: DemoChild, chance: Random): string {
  const rate = child.kind === 'texts' ? 0.5 : 0.14;
  const list = HOME_WORDS[child.language === 'es' ? 'es' : 'en'];
  return chance() < rate ? list[Math.floor(chance() * list.length)]! : '';
}

/** The one safety word and the questions that nobody has answered yet stand in the newest reports of their families. */
function withStories(child: DemoChild, reports: readonly DemoReport[]): DemoReport[] {
  const last = reports.length - 1;
  return reports.map((report, index) => {
    if (index !== last) return report;
    if (child.kind === 'safetyWord')
      return {
        ...report,
        safetyWord: true,
        stopReason: 'pain',
        effort: 'tooHard',
        amount: Math.min(report.amount, 1),
        left: 0,
        right: 0,
        plain: 1,
        words: 'The thumb hurt and went red. We stopped.',
      };
    if (child.kind === 'question') {
      return {
        ...report,
        isQuestion: true,
        words: child.language === 'es' ? '¿Puede usar las dos manos si se cansa?' : 'Can we use the big tongs again on bad days?',
      };
    }
    return report;
  });
}
