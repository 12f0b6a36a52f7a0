import { askedHelp, type AskedHelp, type PromptFading } from '@/core/stepRules';
import { breakOn, type CalendarDay, type SchoolBreak } from '@/core/calendar';
import type { Child } from '@/core/students';
import { servesGoal } from '@/core/goals';
import { outcomeSettingsAt, type ProgramTask } from '@/core/programs';
import { outcomeOf, type DatedSession } from '@/core/reports';
import { goalsOf, notesOf, schoolCalendarOn, type FamilyNote, type Goal, type Work } from '@/db';

/** Context of a card: the goal it serves, the last note, whether school is out, and the next help level. */
export interface CardContext {
  readonly goals: readonly Goal[];
  /** Latest messages to the family, latest first. */
  readonly notes: readonly FamilyNote[];
  readonly schoolBreak: SchoolBreak | null;
  /** The next help level in the task's order of prompt fading; null without one, or without a task. */
  readonly help: (AskedHelp & { readonly order: PromptFading }) | null;
}

const NOTES_SHOWN = 2;

/** @param sessions of the task, at any step */
export async function cardContext(
  work: Work,
  child: Child,
  task: ProgramTask | null,
  sessions: readonly DatedSession[],
  today: CalendarDay,
): Promise<CardContext> {
  const goals = (await goalsOf(work, child.id)).filter(
    ({ closedOn, content }) =>
      closedOn === null && (task === null || servesGoal(content, { taskId: task.taskId, skill: task.content.skill })),
  );
  const calendar = await schoolCalendarOn(work, today);
  return {
    goals,
    notes: await notesOf(work, child.id, NOTES_SHOWN),
    schoolBreak: calendar && breakOn(calendar, today),
    help: task && helpNext(task, child, sessions),
  };
}

function helpNext({ content, choices, step }: ProgramTask, child: Child, sessions: readonly DatedSession[]): CardContext['help'] {
  const order = choices.settings?.promptFading ?? child.taskSettings.promptFading ?? content.settings.promptFading;
  if (!order) return null;
  const outcomes = outcomeSettingsAt(content, step);
  const judged = sessions
    .filter((session) => session.step === step && session.done)
    .sort((one, other) => (one.doneOn < other.doneOn ? -1 : one.doneOn > other.doneOn ? 1 : one.reportId - other.reportId))
    .map((session) => ({ help: session.help, outcome: outcomeOf(session, session.target, outcomes) }));
  return { order, ...askedHelp(order, judged, outcomes.mostHelp) };
}
