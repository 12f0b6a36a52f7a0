import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { BrokenWhole, countPeople, giveUpAllWaiting, inTransaction, migrator, openDatabase, type Database } from '@/db';
import { ExportFolder } from '@/outside/exportFolder';
import { FolderMedia } from '@/outside/folderMedia';
import { checkExport, exportWhole, importWhole, RefusedImport, type ImportRefusal } from '@/server/exchange/wholeWorkplace';
import { say } from '../say';
import { placeOf } from './backup';

/** Everything that a workplace made, as open files in a new folder. `export FOLDER [--config FILE | --data FOLDER]` */
export async function exportAll(words: readonly string[]): Promise<number> {
  const folder = folderOf(words, 'export');
  if (existsSync(folder) && readdirSync(folder).length > 0) throw new Error(`${folder} is not empty. Name a new folder.`);
  return withPlace(words, async (db, media) => {
    const { tables, media: files } = await exportWhole(db, media, new ExportFolder(folder));
    const rows = Object.values(tables).reduce((sum, each) => sum + each.rows, 0);
    say(
      `${folder}: ${rows} rows in ${Object.keys(tables).length} tables, ${files.length} clips and pictures. It has student records in plain text, so store it safely. It has no passwords and no private links.`,
    );
  });
}

/** An export into an empty database and its data folder. `import FOLDER [--config FILE | --data FOLDER]` */
export async function importAll(words: readonly string[]): Promise<number> {
  const source = new ExportFolder(folderOf(words, 'import'));
  return withPlace(words, async (db, media) => {
    const manifest = await checkExport(source).catch((error: unknown) => {
      throw error instanceof RefusedImport
        ? new Error(`${REFUSED[error.refusal.code](error.refusal as never)} Nothing was changed.`)
        : error;
    });
    const schema = migrator(db);
    const isNew = (await schema.executed()).length === 0;
    if (!isNew && (await inTransaction(db, countPeople)) > 0)
      throw new Error('People work in this database. An export goes into an empty one. Nothing was changed.');
    if (!isNew) await schema.down({ to: 0 });
    await schema.up({ migrations: [...manifest.schema] });
    await importWhole(db, media, source, manifest).catch((error: unknown) => {
      throw error instanceof BrokenWhole ? new Error(`This export cannot be imported. ${error.message}. Nothing was imported.`) : error;
    });
    await schema.up();
    const unsent = await inTransaction(db, giveUpAllWaiting);
    if (unsent > 0)
      say(
        `Messages that waited to be sent: ${unsent}. They may have gone out where they came from, and are not sent here: Messages shows them, each with “try again”.`,
      );
    say(
      'Imported. Passwords are not part of an export: everyone sets a new one with “Forgot the password?” on the sign-in page. Families get new links with the next message.',
    );
  });
}

const REFUSED: { readonly [Code in ImportRefusal['code']]: (refusal: Extract<ImportRefusal, { code: Code }>) => string } = {
  noExport: () => 'This folder holds no export of Yard Steps.',
  newer: ({ steps }) => `This export is of a newer version: ${steps.join(', ')} is not known here. Update first.`,
  changed: ({ file }) => `${file} was changed since it was written, or is damaged.`,
  missing: ({ file }) => `${file} is missing.`,
};

function folderOf([folder]: readonly string[], command: string): string {
  if (!folder || folder.startsWith('--')) throw new Error(`Write ./yard ${command} FOLDER.`);
  return path.resolve(folder);
}

async function withPlace(words: readonly string[], job: (db: Database, media: FolderMedia) => Promise<void>): Promise<number> {
  const { dataFolder, databaseUrl, close } = await placeOf(words);
  const db = openDatabase(databaseUrl, { max: 2 });
  try {
    await job(db, new FolderMedia(path.join(dataFolder, 'media')));
    return 0;
  } finally {
    await db.close();
    await close();
  }
}
