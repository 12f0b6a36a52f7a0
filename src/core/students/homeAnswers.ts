import { z } from 'zod';
import { childRecordSchema, type ChildRecord } from './childRecord';

const { materialsAtHome, minutesPerDay, practiceWeekdays, helpers, homeLanguages, hasPrinter, reportWay } = childRecordSchema.shape;

/** Answers of a family about its home, on one page. */
export const homeAnswersSchema = z.strictObject({
  materialsAtHome,
  hasPrinter,
  minutesPerDay,
  practiceWeekdays,
  helpers,
  homeLanguages,
  reportWay,
  /** A few words of their own, for the therapist alone. */
  words: z.string().trim().max(400, 'tooMuch'),
});
export type HomeAnswers = z.output<typeof homeAnswersSchema>;

/**
 * A child's record with what the family told of its house. Things that the page did not ask about stay as they were.
 * @param asked ids of the things that the page named
 */
export function withHomeAnswers(record: ChildRecord, { words: _words, ...answers }: HomeAnswers, asked: readonly string[]): ChildRecord {
  const kept = record.materialsAtHome.filter((id) => !asked.includes(id));
  return { ...record, ...answers, materialsAtHome: [...kept, ...answers.materialsAtHome.filter((id) => asked.includes(id))] };
}
