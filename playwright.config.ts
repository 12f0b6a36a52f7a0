import { defineConfig } from '@playwright/test';
import { chromiumPath } from './scripts/systemPackages';
import { A_BROWSER } from './tests/e2e/aBrowser';

// The workers load this file again: the port is chosen once and handed on.
process.env.YARD_E2E_PORT ??= String(20_000 + (process.pid % 20_000));
const firstPort = Number(process.env.YARD_E2E_PORT);
/** Workers side by side, each with a stack of its own: a copy of the demo that the first one loads. */
const WORKERS = Number(process.env.YARD_E2E_WORKERS ?? 2);
const portOf = (worker: number) => firstPort + worker;
/** It brings a stack of its own, and needs nothing of the shared one: it runs beside it once the other checks are done. */
const OWN_STACKS = ['**/firstHours.spec.ts'];
const isOwn = process.env.YARD_E2E === 'own';
const isShared = process.env.YARD_E2E === 'shared';

export default defineConfig({
  testDir: 'tests/e2e',
  workers: isOwn ? 1 : WORKERS,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: [['list'], ['json']],
  outputDir: isOwn ? '.data/e2e-own-results' : '.data/e2e-results',
  ...(isOwn && { testMatch: OWN_STACKS }),
  ...(isShared && { testIgnore: OWN_STACKS }),
  use: {
    serviceWorkers: 'block',
    baseURL: `http://127.0.0.1:${portOf(Number(process.env.TEST_PARALLEL_INDEX ?? 0))}`,
    viewport: { width: 1280, height: 800 },
    userAgent: A_BROWSER,
    launchOptions: {
      executablePath: chromiumPath(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        // A camera that shows a moving picture and hums; nobody is asked.
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
      ],
    },
  },
  ...(!isOwn && {
    // One after the other: the demo is loaded by the first.
    webServer: Array.from({ length: WORKERS }, (_, worker) => ({
      command: `node scripts/run.mjs scripts/serveForTests.ts .data/e2e-${worker} ${portOf(worker)} .data/e2e-seed ${worker === 0 ? 'load' : ''}`,
      url: `http://127.0.0.1:${portOf(worker)}/api/health`,
      // Loading the demo takes minutes beside other checks on a busy machine.
      timeout: 300_000,
      gracefulShutdown: { signal: 'SIGTERM' as const, timeout: 30_000 },
    })),
  }),
});
