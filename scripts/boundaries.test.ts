import { execFileSync } from 'node:child_process';

const FORBIDDEN = [
  ['core reaching the database by an alias', 'src/core/dose/x.ts', "import '@/db';", 'outside core'],
  ['core reaching the server by dots', 'src/core/dose/x.ts', "import '../../server/actor';", 'outside core'],
  ['core reaching into another topic', 'src/core/dose/x.ts', "import '../tasks/settings';", 'by its index'],
  ['core standing on a package', 'src/core/dose/x.ts', "import 'next';", 'zod alone'],
  ['core asking for the time', 'src/core/dose/x.ts', 'export const x = new Date();', 'time as an argument'],
  ['core throwing dice', 'src/core/dose/x.ts', 'export const x = Math.random();', 'chance as an argument'],
  ['core loading at run time', 'src/core/dose/x.ts', "export const x = import('zod');", 'run time'],
  ['ui reaching the database', 'src/ui/desk/x.ts', "import '../../db/work';", 'never reaches the database'],
  ['ui reaching the server', 'src/ui/desk/x.ts', "import '@/server/actor';", 'types of its views alone'],
  [
    'ui taking a value of the server',
    'src/ui/desk/x.ts',
    "import { may } from '@/server/may';\nexport const x = may;",
    'types of its views alone',
  ],
  ['the desk reaching the family’s face', 'src/ui/desk/review/x.ts', "import '../../family/today/Stones';", 'two faces'],
  ['the family reaching the desk’s face', 'src/ui/family/today/x.ts', "import '../../desk/parts/KeyCap';", 'two faces'],
  ['a family’s page loading a heavy package', 'src/ui/family/today/x.ts', "import 'radix-ui';", 'stays light'],
  ['a family’s page loading the desk’s words', 'src/ui/family/today/x.ts', "import '../../shared/deskWords';", 'own face’s words'],
  ['a task drawn for any face knowing one face', 'src/ui/task/x.ts', "import '../desk/parts/KeyCap';", 'two faces'],
  [
    'a use case writing tables',
    'src/server/x.ts',
    "export const x = (work: any) => work.update('reports', {}, {});",
    'through a repository',
  ],
  [
    'a use case writing SQL',
    'src/server/x.ts',
    "export const x = (db: any) => db.sequelize.query('DELETE FROM reports');",
    'through a repository',
  ],
  ['a use case knowing what stands behind a port', 'src/server/x.ts', "import '@/outside/pretendPhone';", 'behind its ports'],
  ['what stands behind a port reaching the database', 'src/outside/x.ts', "import '@/db';", 'knows the port alone'],
  ['what stands behind a port reaching use cases', 'src/outside/x.ts', "import '@/server/access';", 'port’s types alone'],
  ['a route reaching the database', 'src/app/x.ts', "import '@/db';", 'one use case'],
  ['the server knowing screens', 'src/server/x.ts', "import '@/ui/desk/frame/Shell';", 'no screens'],
  ['the database knowing the server', 'src/db/x.ts', "import '../server/actor';", 'core alone'],
] as const;
const ALLOWED = [
  ['src/server/x.ts', "import '@/db';\nimport '@/core/dose';\n"],
  ['src/ui/desk/x.ts', "import type { YardView } from '@/server/caseload/viewCaseload';\nexport type X = YardView;\n"],
  ['src/outside/x.ts', "import type { TextService } from '@/server/ports';\nexport type X = TextService;\n"],
] as const;

const LINT = `
import { ESLint } from 'eslint';
const lint = new ESLint();
const cases = JSON.parse(process.argv[1]);
const results = [];
for (const [file, code] of cases) results.push((await lint.lintText(code, { filePath: file }))[0].messages.map((each) => each.message));
console.log(JSON.stringify(results));
`;

/** Asks the linter, in a process of its own since it does not load inside Jest. */
function messagesFor(cases: readonly (readonly [string, string])[]): string[][] {
  return JSON.parse(
    execFileSync(process.execPath, ['--input-type=module', '-e', LINT, JSON.stringify(cases)], { encoding: 'utf8' }),
  ) as string[][];
}

describe('boundaries are held by the linter', () => {
  let messages: string[][];
  beforeAll(() => {
    messages = messagesFor([...FORBIDDEN.map(([, file, code]) => [file, code] as const), ...ALLOWED]);
  }, 60_000);

  it.each(FORBIDDEN.map((each, index) => [each[0], each[3], index] as const))('refuses %s', (_name, words, index) => {
    expect(messages[index]!.join('\n')).toContain(words);
  });

  it('lets through what is allowed', () => {
    expect(messages.slice(-ALLOWED.length)).toEqual(ALLOWED.map(() => []));
  });
});
