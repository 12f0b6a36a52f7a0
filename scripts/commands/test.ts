import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild } from '../build';
import { dayFrom, shiftTo } from '../day';
import { say } from '../say';
import { cluster } from './cluster';
import { faults } from './faults';
import { ensureSystemPackages } from '../systemPackages';

interface Counts {
  readonly passed: number;
  readonly failed: number;
}

const RESULTS = path.resolve('.data', 'test-results');

/** Every check there is, or one kind; ends with the counts of all runners added up. */
export async function test(words: readonly string[]): Promise<number> {
  if (words.includes('faults')) return faults();
  if (words.includes('cluster')) return cluster();
  const isDeep = words.includes('deep');
  if (isDeep) process.env.YARD_TEST_DEPTH = 'deep';
  const day = dayFrom(words);
  if (day !== null) {
    process.env.YARD_CLOCK_SHIFT = String(shiftTo(day, Date.now()));
    say(`All servers in the tests use ${day} as the current date.`);
  }
  const only = words.find((word, index) => !word.startsWith('-') && word !== 'deep' && words[index - 1] !== '--day');
  const wanted = (kind: string) => only === undefined || only === kind;
  if (only !== undefined && only !== 'e2e' && !CHECKS.some(({ kind }) => kind === only))
    throw new Error(
      `There are no tests “${only}”. Write ${[...new Set([...CHECKS.map(({ kind }) => kind), 'e2e', 'deep', 'faults', 'cluster'])].join(', ')}, or nothing for all.`,
    );
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });
  ensureSystemPackages({ database: true, browser: wanted('e2e'), proxy: wanted('e2e'), clips: wanted('integration') || wanted('e2e') });
  const counts = await inTwoLanes(
    wanted('e2e') ? build() : null,
    CHECKS.filter(({ kind }) => wanted(kind)),
  );
  const sum = counts.reduce((total, each) => ({ passed: total.passed + each.passed, failed: total.failed + each.failed }), {
    passed: 0,
    failed: 0,
  });
  say(`${sum.passed} passed, ${sum.failed} failed`);
  return sum.failed === 0 && sum.passed > 0 ? 0 : 1;
}

/** A check: how it is run, and how its result is read. */
interface Check {
  readonly kind: string;
  readonly what: string;
  readonly program: string;
  readonly words: readonly string[];
  /** The file in which a runner of many tests writes its counts; anything else passes or fails as a whole. */
  readonly results?: string;
}

/** The native compiler, five times as fast. Lint and build stand on the older one, which has an API; both packages call their program `tsc`. */
const TSC = '../typescript-native/bin/tsc';

const CHECKS: readonly Check[] = [
  { kind: 'lint', what: 'Lint and boundaries', program: 'eslint', words: ['.', '--max-warnings', '0'] },
  { kind: 'format', what: 'Format', program: 'prettier', words: ['--check', '--log-level', 'warn', '.'] },
  { kind: 'unused', what: 'Unused code and packages', program: 'knip', words: ['--no-progress', '--no-config-hints'] },
  {
    kind: 'unused',
    what: 'Product code that only tests use',
    program: 'knip',
    words: ['--production', '--include', 'exports,files', '--no-progress', '--no-config-hints'],
  },
  jest('unit'),
  // After the build has written the types of the routes, which these read.
  { kind: 'types', what: 'Types', program: TSC, words: ['--noEmit', '--incremental', 'false'] },
  { kind: 'types', what: 'Types of the core alone', program: TSC, words: ['--noEmit', '-p', 'src/core/tsconfig.json'] },
  jest('integration', 1),
  jest('integration', 2),
];

/** The browser's tests first in one lane, the checks in the other; a lane that has ended takes what is left. */
async function inTwoLanes(built: Promise<boolean> | null, checks: readonly Check[]): Promise<Counts[]> {
  const counts: Counts[] = [];
  const left = [...checks];
  const lane = async () => {
    for (let check = left.shift(); check; check = left.shift()) counts.push(await resultOf(check));
  };
  const browser = async () => {
    if (built && (await built)) counts.push({ passed: 1, failed: 0 }, await playwright());
    else if (built) counts.push({ passed: 0, failed: 1 });
    await lane();
  };
  await Promise.all([browser(), lane()]);
  return counts;
}

async function resultOf(check: Check): Promise<Counts> {
  const { status, words } = await output(check);
  say(`\n== ${check.what}\n${words}`.trimEnd());
  if (check.results) return countsOfJest(check.results, status);
  return status === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
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

function resultsOf(project: string): string {
  return path.join(RESULTS, `${project}.json`);
}

/** @param half 1 or 2, where a project is run in halves */
function jest(project: string, half?: 1 | 2): Check {
  const results = resultsOf(`${project}${half ?? ''}`);
  const words = ['--selectProjects', project, '--json', `--outputFile=${results}`, '--silent', '--runInBand'];
  if (half) words.push(`--shard=${half}/2`);
  return { kind: project, what: `${project} tests${half ? `, half ${half} of 2` : ''}`, program: 'jest', words, results };
}

function countsOfJest(file: string, status: number | null): Counts {
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const result = JSON.parse(readFileSync(file, 'utf8')) as {
    numPassedTests: number;
    numFailedTests: number;
    numRuntimeErrorTestSuites: number;
  };
  const failed = result.numFailedTests + result.numRuntimeErrorTestSuites;
  return { passed: result.numPassedTests, failed: failed || (status === 0 ? 0 : 1) };
}

/** False where there is no build, which is said. */
async function build(): Promise<boolean> {
  try {
    await ensureBuild();
    return true;
  } catch (error) {
    say(error instanceof Error ? error.message : String(error));
    return false;
  }
}

async function playwright(): Promise<Counts> {
  const file = resultsOf('e2e');
  const status = await run('playwright', ['test'], { PLAYWRIGHT_JSON_OUTPUT_FILE: file });
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const { stats } = JSON.parse(readFileSync(file, 'utf8')) as { stats: { expected: number; unexpected: number; flaky: number } };
  const failed = stats.unexpected + stats.flaky;
  return { passed: stats.expected, failed: failed || (status === 0 ? 0 : 1) };
}

function run(program: string, words: readonly string[], environment: Record<string, string>): Promise<number | null> {
  return new Promise((resolve, reject) => {
    const ran = spawn(path.join('node_modules', '.bin', program), words, {
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...environment },
    });
    ran.once('error', reject);
    ran.once('close', resolve);
  });
}
