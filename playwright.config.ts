import { defineConfig } from '@playwright/test';
import { chromiumPath } from './scripts/systemPackages';
import { A_BROWSER } from './tests/e2e/aBrowser';

// The workers load this file again: the port is chosen once and handed on.
process.env.YARD_E2E_PORT ??= String(20_000 + (process.pid % 20_000));
const firstPort = Number(process.env.YARD_E2E_PORT);
/** Workers side by side, each with a stack of its own: a copy of the demo that the first one loads. */
const WORKERS = Number(process.env.YARD_E2E_WORKERS ?? 3);
const portOf = (worker: number) => firstPort + worker;
/** These start programs of their own, and take longest: they run first. */
const LONGEST = ['**/serve.spec.ts', '**/firstHours.spec.ts', '**/faults.spec.ts'];

export default defineConfig({
  testDir: 'tests/e2e',
  workers: WORKERS,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json']],
  outputDir: '.data/e2e-results',
  projects: [
    { name: 'longest', testMatch: LONGEST },
    { name: 'screens', testIgnore: LONGEST },
  ],
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
        '--disable-software-rasterizer',
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        // A camera that shows a moving picture and hums; nobody is asked.
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
      ],
    },
  },
  // One after the other: the demo is loaded by the first.
  webServer: Array.from({ length: WORKERS }, (_, worker) => ({
    command: `node scripts/run.mjs scripts/serveForTests.ts .data/e2e-${worker} ${portOf(worker)} .data/e2e-seed ${worker === 0 ? 'load' : ''}`,
    url: `http://127.0.0.1:${portOf(worker)}/api/health`,
    // Loading the demo takes minutes beside other checks on a busy machine.
    timeout: 300_000,
    gracefulShutdown: { signal: 'SIGTERM' as const, timeout: 30_000 },
  })),
});
