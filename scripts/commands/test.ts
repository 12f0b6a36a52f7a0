import { spawnSync } from 'node:child_process';
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
  const counts: Counts[] = [];
  if (wanted('types'))
    counts.push(
      whole('Types', 'tsc', ['--noEmit', '--incremental', 'false']),
      whole('Types of the core alone', 'tsc', ['--noEmit', '-p', 'src/core/tsconfig.json']),
    );
  if (wanted('lint')) counts.push(whole('Lint and boundaries', 'eslint', ['.', '--max-warnings', '0']));
  if (wanted('format')) counts.push(whole('Format', 'prettier', ['--check', '--log-level', 'warn', '.']));
  if (wanted('unused')) counts.push(whole('Unused code and packages', 'knip', ['--no-progress', '--no-config-hints']));
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

/** A check that passes or fails as a whole. */
function whole(what: string, program: string, words: readonly string[]): Counts {
  say(`\n== ${what}`);
  const ran = run(program, words);
  return ran === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
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
