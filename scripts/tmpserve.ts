import { writeFileSync } from 'node:fs';
import { startStack } from './stack';
const stack = await startStack({ folder: '.data/walk', port: 4600, mode: 'start', withDemo: true });
writeFileSync('/tmp/walk.json', JSON.stringify({ url: stack.url, databaseUrl: stack.databaseUrl, ...stack.access }));
process.on('SIGTERM', async () => {
  await stack.stop();
  process.exit(0);
});
console.log('ready');
