import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild } from '../build';
import { dayFrom, shiftTo } from '../day';
import { say } from '../say';
import { ensureSystemPackages } from '../systemPackages';

interface Counts {
  readonly passed: number;
  readonly failed: number;
}

const RESULTS = path.resolve('.data', 'test-results');

/** Every check there is, or one kind; ends with the counts of all runners added up. */
export async function test(words: readonly string[]): Promise<number> {
  const day = dayFrom(words);
  if (day !== null) {
    process.env.YARD_CLOCK_SHIFT = String(shiftTo(day, Date.now()));
    say(`The clock of every stack stands at ${day} now.`);
  }
  const only = words.find((word, index) => !word.startsWith('-') && words[index - 1] !== '--day');
  const wanted = (kind: string) => only === undefined || only === kind;
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });
  ensureSystemPackages({ database: true, browser: wanted('e2e') });
  const counts: Counts[] = await allOf(CHECKS.filter(({ kind }) => wanted(kind)));
  if (wanted('unit')) counts.push(jest('unit', []));
  if (wanted('integration')) counts.push(jest('integration', ['--runInBand']));
  if (wanted('e2e')) {
    try {
      await ensureBuild();
      counts.push({ passed: 1, failed: 0 }, playwright());
    } catch (error) {
      say(error instanceof Error ? error.message : String(error));
      counts.push({ passed: 0, failed: 1 });
    }
  }
  const sum = counts.reduce((total, each) => ({ passed: total.passed + each.passed, failed: total.failed + each.failed }), {
    passed: 0,
    failed: 0,
  });
  say(`${sum.passed} passed, ${sum.failed} failed`);
  return sum.failed === 0 && sum.passed > 0 ? 0 : 1;
}

/** A check of the sources that passes or fails as a whole. */
interface Check {
  readonly kind: string;
  readonly what: string;
  readonly program: string;
  readonly words: readonly string[];
}

const CHECKS: readonly Check[] = [
  { kind: 'lint', what: 'Lint and boundaries', program: 'eslint', words: ['.', '--max-warnings', '0'] },
  { kind: 'types', what: 'Types', program: 'tsc', words: ['--noEmit', '--incremental', 'false'] },
  { kind: 'types', what: 'Types of the core alone', program: 'tsc', words: ['--noEmit', '-p', 'src/core/tsconfig.json'] },
  { kind: 'format', what: 'Format', program: 'prettier', words: ['--check', '--log-level', 'warn', '.'] },
  { kind: 'unused', what: 'Unused code and packages', program: 'knip', words: ['--no-progress', '--no-config-hints'] },
];

/** Each of these programs keeps one core busy: two run at a time, and each says its words when it is done. */
async function allOf(checks: readonly Check[]): Promise<Counts[]> {
  const waiting = [...checks];
  const counts: Counts[] = [];
  const work = async () => {
    for (let check = waiting.shift(); check; check = waiting.shift()) {
      const { status, words } = await output(check);
      say(`\n== ${check.what}\n${words}`.trimEnd());
      counts.push(status === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 });
    }
  };
  await Promise.all([work(), work()]);
  return counts;
}

function output({ program, words }: Check): Promise<{ status: number | null; words: string }> {
  return new Promise((resolve, reject) => {
    const ran = spawn(path.join('node_modules', '.bin', program), words, { stdio: ['ignore', 'pipe', 'pipe'] });
    const parts: Buffer[] = [];
    ran.stdout.on('data', (part: Buffer) => parts.push(part));
    ran.stderr.on('data', (part: Buffer) => parts.push(part));
    ran.once('error', reject);
    ran.once('close', (status) => resolve({ status, words: Buffer.concat(parts).toString('utf8') }));
  });
}

function jest(project: string, words: readonly string[]): Counts {
  say(`\n== ${project} tests`);
  const file = path.join(RESULTS, `${project}.json`);
  const status = run('jest', ['--selectProjects', project, '--json', `--outputFile=${file}`, '--silent', ...words]);
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const result = JSON.parse(readFileSync(file, 'utf8')) as {
    numPassedTests: number;
    numFailedTests: number;
    numRuntimeErrorTestSuites: number;
  };
  const failed = result.numFailedTests + result.numRuntimeErrorTestSuites;
  return { passed: result.numPassedTests, failed: failed || (status === 0 ? 0 : 1) };
}

function playwright(): Counts {
  say('\n== end-to-end tests');
  const file = path.join(RESULTS, 'e2e.json');
  const status = run('playwright', ['test'], { PLAYWRIGHT_JSON_OUTPUT_FILE: file });
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const { stats } = JSON.parse(readFileSync(file, 'utf8')) as { stats: { expected: number; unexpected: number; flaky: number } };
  const failed = stats.unexpected + stats.flaky;
  return { passed: stats.expected, failed: failed || (status === 0 ? 0 : 1) };
}

function run(program: string, words: readonly string[], environment: Record<string, string> = {}): number {
  const ran = spawnSync(path.join('node_modules', '.bin', program), words, {
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...environment },
  });
  return ran.status ?? 1;
}
