import { z } from 'zod';

export const WHOLE_FORMAT = 'yard-steps-export';
export const MANIFEST_FILE = 'export.json';

const countSchema = z.number().int().min(0);
const sumSchema = z.string().regex(/^[0-9a-f]{64}$/);

/** Contents of an export, and the sums by which a changed file is recognized. Nothing in it depends on when it was written. */
const wholeManifestSchema = z.strictObject({
  format: z.literal(WHOLE_FORMAT).describe('what kind of file this is'),
  version: z.literal(1).describe('version of the format'),
  schema: z.array(z.string()).min(1).describe('the steps that the database’s schema has gone, in their order'),
  tables: z
    .record(z.string(), z.strictObject({ rows: countSchema, sha256: sumSchema }))
    .describe('of tables/NAME.jsonl: how many lines, and the SHA-256 of the file'),
  media: z.array(sumSchema).describe('the files of media/, each named by the SHA-256 of its content'),
});
export type WholeManifest = Readonly<z.output<typeof wholeManifestSchema>>;

/** The manifest as text: the same for the same content. */
export function writeManifest(manifest: WholeManifest): string {
  return `${JSON.stringify(manifest, null, 2)}\n`;
}

export function readManifest(text: string): WholeManifest | null {
  try {
    return wholeManifestSchema.parse(JSON.parse(text));
  } catch {
    return null;
  }
}
