import { rmSync } from 'node:fs';
import type { IntegrationServer } from './globalSetup';

export default async function tearDown(): Promise<void> {
  const { yardMariaDb, yardFolder } = globalThis as IntegrationServer;
  await yardMariaDb?.stop();
  if (yardFolder) rmSync(yardFolder, { recursive: true, force: true });
}
