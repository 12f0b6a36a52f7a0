import type { Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

/** Something said to families before, in a language. */
export interface Phrase {
  readonly id: number;
  /** Text, in the author's language. */
  readonly own: string;
  /** Text in the family's language. */
  readonly said: string;
}

/** Lists a person's earlier phrases in a language, the latest used first. */
export async function phrasesOf(work: Work, personId: number, language: string, most: number): Promise<Phrase[]> {
  return tablesOf(work).select(
    'SELECT id, own, said FROM phrases WHERE person_id = :personId AND language = :language ORDER BY used_at DESC, id DESC LIMIT :most',
    { personId, language, most },
  );
}

/** @param key the same for the same own words: said anew, the newer saying is kept */
export async function savePhrase(
  work: Work,
  { personId, language, key, own, said, at }: { personId: number; language: string; key: string; own: string; said: string; at: Instant },
): Promise<void> {
  const values = { own, said, used_at: at };
  const kept = await tablesOf(work).update('phrases', values, { person_id: personId, language, phrase_key: key });
  if (kept > 0) return;
  await tablesOf(work).insertOrKeep('phrases', [{ person_id: personId, language, phrase_key: key, ...values }], ['id']);
}
