// A thread of its own for reading clips. It is begun by plain JavaScript: what runs TypeScript here is told to anew in each thread.
import { parentPort } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
await import('./answerClips.ts');
parentPort.postMessage({ isReady: true });
