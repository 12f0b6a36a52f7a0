import cluster from 'node:cluster';
import path from 'node:path';

/**
 * Several web processes on one port, each whole: nothing that one remembers is needed by another. One that ends by itself is
 * started anew. `webs.ts PORT COUNT`
 */
const [port, count] = process.argv.slice(2);
let isEnding = false;

cluster.setupPrimary({ exec: path.join(import.meta.dirname, 'web.ts'), args: [port!], execArgv: ['--import', 'tsx'] });
for (let started = 0; started < Number(count); started += 1) cluster.fork();
cluster.on('exit', () => {
  if (!isEnding) cluster.fork();
  else if (Object.keys(cluster.workers ?? {}).length === 0) process.exit(0);
});
process.on('SIGTERM', () => {
  isEnding = true;
  for (const worker of Object.values(cluster.workers ?? {})) worker?.process.kill('SIGTERM');
});
