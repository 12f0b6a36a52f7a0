import { createHash } from 'node:crypto';
import {
  bringInWhole,
  inReading,
  linesOfTable,
  MEANINGS,
  MIGRATIONS,
  migrationNames,
  referencesOf,
  wholeColumns,
  WHOLE_TABLES,
  type Database,
  type LinesOf,
  type WholeTable,
  type Work,
} from '@/db';
import { writeCsv } from '@/formats/csv';
import { MANIFEST_FILE, readManifest, WHOLE_FORMAT, writeManifest, type WholeManifest } from '@/formats/wholeExport';
import type { MediaStore } from '../ports';

/** Destination of an export: files by name, each complete when it is closed. */
export interface ExportSink {
  write(name: string, parts: AsyncIterable<string | Uint8Array>): Promise<void>;
}

/** Source of an import. */
export interface ExportSource {
  /** @throws Error where there is no such file */
  text(name: string): Promise<string>;
  bytes(name: string): Promise<Uint8Array>;
  lines(name: string): AsyncIterable<readonly string[]>;
  sha256(name: string): Promise<string>;
}

export const tableFile = (table: string) => `tables/${table}.jsonl`;
const mediaFile = (hash: string) => `media/${hash}`;

/**
 * Everything that a workplace made, as open files: a line of JSON a row, media by their content, and what each table and column means.
 * What opens doors (passwords, links, sessions) stays here. Taken out at one moment, while all goes on.
 */
export async function exportWhole(db: Database, media: MediaStore, sink: ExportSink): Promise<WholeManifest> {
  const manifest = await inReading(db, async (work) => {
    const tables: Record<string, { rows: number; sha256: string }> = {};
    for (const table of WHOLE_TABLES) tables[table] = await exportTable(work, table, sink);
    await sink.write('tables.csv', oneText(writeCsv(['table', 'what it holds'], Object.entries(MEANINGS))));
    await sink.write('columns.csv', oneText(writeCsv(['table', 'column', 'kind', 'refers to'], await dictionaryOf(work))));
    return { format: WHOLE_FORMAT, version: 1, schema: await migrationNames(work), tables, media: await mediaIn(work) } as const;
  });
  for (const hash of manifest.media) await sink.write(mediaFile(hash), oneBytes(await media.whole(hash)));
  await sink.write(MANIFEST_FILE, oneText(writeManifest(manifest)));
  return manifest;
}

async function exportTable(work: Work, table: WholeTable, sink: ExportSink): Promise<{ rows: number; sha256: string }> {
  const sum = createHash('sha256');
  let rows = 0;
  await sink.write(
    tableFile(table),
    (async function* () {
      for await (const lines of linesOfTable(work, table)) {
        const text = `${lines.join('\n')}\n`;
        rows += lines.length;
        sum.update(text);
        yield text;
      }
    })(),
  );
  return { rows, sha256: sum.digest('hex') };
}

async function dictionaryOf(work: Work): Promise<string[][]> {
  const rows: string[][] = [];
  for (const table of WHOLE_TABLES) {
    const references = await referencesOf(work, table);
    for (const { name, kind } of wholeColumns(table)) {
      const to = references.get(name);
      rows.push([table, name, kind, to ? `${to.table}.${to.column}` : '']);
    }
  }
  return rows;
}

async function mediaIn(work: Work): Promise<string[]> {
  const hashes: string[] = [];
  for await (const lines of linesOfTable(work, 'media')) for (const line of lines) hashes.push((JSON.parse(line) as { hash: string }).hash);
  return hashes.sort();
}

async function* oneText(text: string): AsyncGenerator<string> {
  yield text;
}

async function* oneBytes(bytes: Uint8Array): AsyncGenerator<Uint8Array> {
  yield bytes;
}

export type ImportRefusal =
  | { readonly code: 'noExport' }
  | { readonly code: 'newer'; readonly steps: readonly string[] }
  | { readonly code: 'changed'; readonly file: string }
  | { readonly code: 'missing'; readonly file: string };

/** Why an export can't be brought in. Nothing was changed. */
export class RefusedImport extends Error {
  constructor(readonly refusal: ImportRefusal) {
    super(refusal.code);
  }
}

/** The manifest of an export that is whole, as its sums say, and of a schema that is known here. @throws RefusedImport */
export async function checkExport(source: ExportSource): Promise<WholeManifest> {
  const manifest = readManifest(await source.text(MANIFEST_FILE).catch(() => ''));
  if (!manifest) throw new RefusedImport({ code: 'noExport' });
  const known = new Set(MIGRATIONS.map(({ name }) => name));
  const unknown = manifest.schema.filter((name) => !known.has(name));
  if (unknown.length > 0) throw new RefusedImport({ code: 'newer', steps: unknown });
  const sums: [string, string][] = [
    ...Object.entries(manifest.tables).map(([table, { sha256 }]): [string, string] => [tableFile(table), sha256]),
    ...manifest.media.map((hash): [string, string] => [mediaFile(hash), hash]),
  ];
  for (const [file, wanted] of sums) {
    const found = await source.sha256(file).catch(() => null);
    if (found === null) throw new RefusedImport({ code: 'missing', file });
    if (found !== wanted) throw new RefusedImport({ code: 'changed', file });
  }
  return manifest;
}

/**
 * Brings a checked export into an empty database whose schema is the export's own. Files come first: a row never names one that is not there.
 * @throws BrokenWhole where a line is no row, or refers to nothing; nothing is changed then
 */
export async function importWhole(db: Database, media: MediaStore, source: ExportSource, manifest: WholeManifest): Promise<void> {
  for (const hash of manifest.media) await media.put(await source.bytes(mediaFile(hash)));
  const linesOf: LinesOf = (table) => (table in manifest.tables ? source.lines(tableFile(table)) : none());
  await bringInWhole(db, linesOf);
}

async function* none(): AsyncGenerator<readonly string[]> {}
