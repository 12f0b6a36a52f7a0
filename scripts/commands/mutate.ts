import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { seededRandom } from '@/core/random';
import { say } from '../say';

const CORE = path.join('src', 'core');
const PLACE = path.resolve('.data', 'mutate');
const SEED = 7;
const MOST_LINES = 150;

interface MutantResult {
  readonly status: string;
  readonly mutatorName: string;
  readonly replacement?: string;
  readonly location: { readonly start: { readonly line: number } };
}

/**
 * Changes the code of one topic of the core, a mutant at a time, and looks whether a test falls. Where a topic is large, the
 * lines that are changed are a sample by a fixed seed: the same ones each time.
 */
export async function mutate(words: readonly string[]): Promise<number> {
  const topics = readdirSync(CORE, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name);
  const [topic] = words;
  if (!topic || !topics.includes(topic)) throw new Error(`Write ./yard mutate with a topic: ${topics.join(', ')}.`);
  const place = words.indexOf('--lines');
  const most = place < 0 ? MOST_LINES : Number(words[place + 1]);
  if (!Number.isInteger(most) || most < 1) throw new Error('Write --lines with a whole number from 1.');
  mkdirSync(PLACE, { recursive: true });
  const { mutants, lines, ofLines } = mutantsOf(topic, most);
  const report = path.join(PLACE, `${topic}.json`);
  const config = path.join(PLACE, `${topic}.config.json`);
  writeFileSync(config, JSON.stringify(strykerConfig(mutants, testsOf(topic), report)));
  const ran = spawnSync(path.join('node_modules', '.bin', 'stryker'), ['run', config], { stdio: ['ignore', 'ignore', 'inherit'] });
  if (ran.status !== 0 || !existsSync(report)) throw new Error('The mutation run ended before its report was written.');
  tell(topic, report, `${lines} of ${ofLines} lines`);
  return 0;
}

/** Files with the lines of them that may be changed, as Stryker's `mutate` takes them. */
function mutantsOf(topic: string, most: number): { mutants: string[]; lines: number; ofLines: number } {
  const files = filesBelow(path.join(CORE, topic)).filter((file) => !file.includes('.test.') && !file.endsWith('index.ts'));
  const all = files.flatMap((file) =>
    readFileSync(file, 'utf8')
      .split('\n')
      .flatMap((line, index) => (/^\s*([/*]|$|import|export (type|interface))/.test(line) ? [] : [{ file, line: index + 1 }])),
  );
  if (all.length <= most) return { mutants: files, lines: all.length, ofLines: all.length };
  const random = seededRandom(SEED);
  const sample = all
    .map((each) => ({ ...each, rank: random() }))
    .sort((a, b) => a.rank - b.rank)
    .slice(0, most);
  return { mutants: sample.map(({ file, line }) => `${file}:${line}-${line}`), lines: most, ofLines: all.length };
}

/** The topic's own tests and those of the core that import it. */
function testsOf(topic: string): string[] {
  return filesBelow(CORE)
    .filter((file) => /\.test\.tsx?$/.test(file))
    .filter(
      (file) =>
        file.startsWith(path.join(CORE, topic) + path.sep) || new RegExp(`from '\\.{1,2}/${topic}'`).test(readFileSync(file, 'utf8')),
    );
}

function filesBelow(folder: string): string[] {
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file) && !file.endsWith('.d.ts'))
    .map((file) => path.join(folder, file));
}

function strykerConfig(mutants: readonly string[], tests: readonly string[], report: string): object {
  return {
    mutate: mutants,
    testRunner: 'jest',
    plugins: ['@stryker-mutator/jest-runner'],
    jest: {
      projectType: 'custom',
      configFile: 'jest.unit.config.mjs',
      config: { testMatch: tests.map((file) => `<rootDir>/${file}`) },
      enableFindRelatedTests: false,
    },
    coverageAnalysis: 'perTest',
    reporters: ['json'],
    jsonReporter: { fileName: report },
    ignorePatterns: ['.data', '.next', 'docs', 'tests/e2e', 'measure'],
    tempDirName: path.join('.data', 'mutate', 'sandbox'),
    concurrency: 2,
    timeoutMS: 20_000,
    allowEmpty: true,
    checkers: [],
    disableTypeChecks: false,
  };
}

function tell(topic: string, report: string, sample: string): void {
  const { files } = JSON.parse(readFileSync(report, 'utf8')) as { files: Record<string, { mutants: MutantResult[] }> };
  const mutants = Object.entries(files).flatMap(([file, each]) => each.mutants.map((mutant) => ({ file, ...mutant })));
  const judged = mutants.filter(({ status }) => status !== 'Ignored' && status !== 'CompileError' && status !== 'RuntimeError');
  const killed = judged.filter(({ status }) => status === 'Killed' || status === 'Timeout');
  const survivors = judged.filter((mutant) => !killed.includes(mutant));
  for (const { file, location, mutatorName, replacement, status } of survivors)
    say(
      `  ${file}:${location.start.line} ${mutatorName}${status === 'NoCoverage' ? ', never run' : ''}: ${replacement?.slice(0, 80) ?? ''}`,
    );
  say(
    `${topic}: ${killed.length} of ${judged.length} mutants killed, ${Math.round((100 * killed.length) / Math.max(1, judged.length))} % (${sample}, seed ${SEED})`,
  );
}
