import { writeCsv } from '../csv';
import type { OpenKind } from './column';
import { OPEN_TABLES } from './tables';

/** Lists the meaning of every column of every table, as CSV. */
export function writeDictionary(): string {
  const rows = Object.values(OPEN_TABLES).flatMap(({ name, columns }) =>
    columns.map(({ heading, key, kind, meaning, mayBeEmpty, isPersonal }) => [
      name,
      heading,
      key,
      kindInWords(kind),
      mayBeEmpty ? 'yes' : 'no',
      isPersonal ? 'no' : 'yes',
      meaning,
    ]),
  );
  return writeCsv(['table', 'heading', 'name in JSON', 'kind', 'may be empty', 'by key, too', 'meaning'], rows);
}

function kindInWords(kind: OpenKind): string {
  if (typeof kind !== 'string') return `one of: ${kind.join(', ')}`;
  return kind === 'day' ? 'day (YYYY-MM-DD)' : kind === 'moment' ? 'moment (ISO 8601, UTC)' : kind;
}
