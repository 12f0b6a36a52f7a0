import { tablesOf, type Work } from '../../work';

/** Content of a list, each with headings of its own. */
export type ListKind = 'children' | 'reports';

/** How a person's lists call their columns: which fact each heading was matched to. */
export async function listColumnsOf(work: Work, personId: number, list: ListKind): Promise<Map<string, string>> {
  const rows = await tablesOf(work).select<{ heading: string; fact: string }>(
    'SELECT heading, fact FROM list_columns WHERE person_id = :personId AND list = :list',
    { personId, list },
  );
  return new Map(rows.map(({ heading, fact }) => [heading, fact]));
}
