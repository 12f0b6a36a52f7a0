import cluster from 'node:cluster';
import { metricsAddress, serveMetrics } from './metrics';

/**
 * Several web processes on one port, each whole: nothing that one remembers is needed by another. One that ends by itself is
 * started anew. `webs.ts PORT COUNT`
 */
const [port, count] = process.argv.slice(2);
/** Ends by themselves within so short a time, so often one after the other: a faulty setting, which another start does not mend. */
const AT_ONCE_MILLISECONDS = 5_000;
const MOST_AT_ONCE = 5;
let isEnding = false;
let endedAtOnce = 0;
const startedAt = new Map<number, number>();
const fork = () => startedAt.set(cluster.fork().id, Date.now());

cluster.setupPrimary({ exec: 'scripts/run.mjs', args: ['src/main/web.ts', port!] });
for (let started = 0; started < Number(count); started += 1) fork();
const metricsAt = metricsAddress(process.env);
if (metricsAt) serveMetrics(metricsAt);
cluster.on('exit', (worker, code, signal) => {
  if (!isEnding) console.error(`A web process ended (${signal ?? `code ${code}`}). Starting another one.`);
  endedAtOnce = Date.now() - (startedAt.get(worker.id) ?? 0) < AT_ONCE_MILLISECONDS ? endedAtOnce + 1 : 0;
  startedAt.delete(worker.id);
  if (!isEnding && endedAtOnce >= MOST_AT_ONCE) {
    console.error(`The web server ends as soon as it starts (code ${code}). Read the lines above, correct the setting, and start again.`);
    process.exit(1);
  }
  if (!isEnding) setTimeout(fork, endedAtOnce * 500);
  else if (Object.keys(cluster.workers ?? {}).length === 0) process.exit(0);
});
process.on('SIGTERM', () => {
  isEnding = true;
  for (const worker of Object.values(cluster.workers ?? {})) worker?.process.kill('SIGTERM');
});
