import { spawn, type ChildProcess } from 'node:child_process';

const withoutOurs = Object.fromEntries(Object.entries(process.env).filter(([name]) => !name.startsWith('YARD_')));

export interface Serving {
  readonly process: ChildProcess;
  /** What it has said so far. */
  readonly said: () => string;
  readonly ended: Promise<number | null>;
}

/** What `./yard` says with these words, until it has said a thing, or ended. */
export function yard(...words: readonly string[]): Serving {
  return yardWith({}, ...words);
}

/** The same with something in its environment. */
export function yardWith(environment: Readonly<Record<string, string>>, ...words: readonly string[]): Serving {
  const started = spawn(process.execPath, ['scripts/run.mjs', 'scripts/yard.ts', ...words], {
    // What somebody's shell tells of a database or a port of their own is none of a test's.
    env: { ...withoutOurs, NODE_ENV: 'production', YARD_CLOCK_SHIFT: '0', ...environment },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let text = '';
  started.stdout.on('data', (part: Buffer) => (text += part.toString('utf8')));
  started.stderr.on('data', (part: Buffer) => (text += part.toString('utf8')));
  return { process: started, said: () => text, ended: new Promise((resolve) => started.once('close', resolve)) };
}
