import { givenTask, outcomeSettingsAt } from '@/core/programs';
import { outcomeOf, type Outcome } from '@/core/reports';
import type { TaskContent } from '@/core/tasks';
import { taskContents, type LogEntry, type Work } from '@/db';

export interface LoggedReport extends LogEntry {
  /** The task as it was sent with the version that the report is of. */
  readonly content: TaskContent;
  readonly outcome: Outcome;
}

/** Reports with the task that each of them speaks of, whichever version of it that was, and what they came to. */
export async function loggedReports(work: Work, entries: readonly LogEntry[]): Promise<LoggedReport[]> {
  const contents = await taskContents(work, entries);
  return entries.map((entry) => {
    const content = givenTask(contents.get(entry.taskVersionId)!, entry.choices);
    return { ...entry, content, outcome: outcomeOf(entry, entry.target, outcomeSettingsAt(content, entry.step)) };
  });
}
