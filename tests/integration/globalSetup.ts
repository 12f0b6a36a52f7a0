import { execFileSync } from 'node:child_process';
import { chmodSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { startMariaDb, type PrivateMariaDb } from '../../scripts/mariadb';

export interface IntegrationServer {
  yardMariaDb?: PrivateMariaDb;
  yardFolder?: string;
}

/** A MariaDB of the tests' own, thrown away at the end. Each test bed is a copy of a template on it. */
export default async function setUp(): Promise<void> {
  const holder = globalThis as IntegrationServer;
  holder.yardFolder = mkdtempSync(path.join(tmpdir(), 'yard-test-'));
  // The database runs as a user of its own, which has to find its folder.
  chmodSync(holder.yardFolder, 0o711);
  holder.yardMariaDb = await startMariaDb(path.join(holder.yardFolder, 'mariadb'), { isThrowaway: true });
  process.env.YARD_TEST_DATABASE = holder.yardMariaDb.url('yard');
  process.env.YARD_TEST_RUN_DATABASE = holder.yardMariaDb.runUrl();
  process.env.YARD_TEST_FOLDER = holder.yardFolder;
  // In a process of its own: Jest's set-up does not know the short names of our folders.
  execFileSync(process.execPath, ['scripts/run.mjs', 'tests/integration/makeTemplate.ts', process.env.YARD_TEST_DATABASE], {
    stdio: 'inherit',
  });
}
