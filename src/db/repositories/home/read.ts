import { homeAnswersSchema, type HomeAnswers } from '@/core/students';
import type { Instant } from '@/core/calendar';
import { reading } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';

/** A family's answers about its home that are not taken over yet. */
export interface HomeAnswer {
  readonly id: number;
  readonly childId: number;
  readonly answers: HomeAnswers;
  readonly toldAt: Instant;
}

const readAnswers = reading<HomeAnswers>('answers', homeAnswersSchema);

/** The newest that a family told, where nobody has settled it; what was told before it is settled with it. */
export async function homeAnswerOf(work: Work, childId: number): Promise<HomeAnswer | null> {
  const [row] = await tablesOf(work).select<Omit<HomeAnswer, 'answers'> & { answers: unknown; settledAt: Instant | null }>(
    `SELECT id, child_id AS childId, answers, told_at AS toldAt, settled_at AS settledAt FROM home_answers
     WHERE child_id = :childId ORDER BY id DESC LIMIT 1`,
    { childId },
  );
  if (!row || row.settledAt !== null) return null;
  const { settledAt: _settled, ...answer } = row;
  return { ...answer, answers: readAnswers(answer.answers) };
}
