import { doseAt, calculateDose } from '@/core/dose';
import type { ProgramVersion } from '@/core/programs';
import { taskLetters, type ReplyTask } from '@/core/replies';
import { BASE_LANGUAGE, languageOf, say } from '@/core/text';
import { tasksByVersion, type Work } from '@/db';

/** A task of the version that holds, with its letter, and where a report of it belongs. */
export interface AskedByText extends ReplyTask {
  readonly versionTaskId: number;
  readonly step: number;
  readonly takesHalves: boolean;
  readonly weekdays: readonly number[];
  /** Its name in the family's language, as messages and slips say it. */
  readonly title: string;
}

/** Tasks of a version that a text may report on, with the letters that slip and message share. */
export async function askedByText(work: Work, childId: number, version: ProgramVersion, language: string): Promise<AskedByText[]> {
  const letters = taskLetters(await tasksByVersion(work, childId), languageOf(language));
  return version.tasks.map((task) => {
    const { unit, handTurns, perDay, perHand } = calculateDose(doseAt(task.dose, task.step), 1);
    const { title } = task.content;
    return {
      taskId: task.taskId,
      letter: letters.get(task.taskId) ?? null,
      titles: [...new Set([say(title, BASE_LANGUAGE), say(title, languageOf(language))])],
      title: say(title, languageOf(language)),
      unit,
      perSide: handTurns === 2,
      perDay,
      perHand,
      versionTaskId: task.versionTaskId,
      step: task.step,
      takesHalves: unit === 'minutes',
      weekdays: task.weekdays,
    };
  });
}
