import { tablesOf, type Work } from '../../work';

/** How a person's lists call their columns: which fact each heading was matched to. */
export async function rosterColumnsOf(work: Work, personId: number): Promise<Map<string, string>> {
  const rows = await tablesOf(work).select<{ heading: string; fact: string }>(
    'SELECT heading, fact FROM roster_columns WHERE person_id = :personId',
    { personId },
  );
  return new Map(rows.map(({ heading, fact }) => [heading, fact]));
}
