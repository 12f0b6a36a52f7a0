import { execFileSync } from 'node:child_process';
import path from 'node:path';

/** Asks the linter in a process of its own, as ./yard test does. */
function messagesFor(file: string, code: string): string[] {
  const bin = path.resolve('node_modules/eslint/bin/eslint.js');
  try {
    execFileSync(process.execPath, [bin, '--stdin', '--stdin-filename', file, '--format', 'json'], { input: code, encoding: 'utf8', stdio: ['pipe', 'pipe', 'pipe'] });
    return [];
  } catch (error) {
    const [result] = JSON.parse((error as { stdout: string }).stdout) as { messages: { message: string }[] }[];
    return result!.messages.map((each) => each.message);
  }
}

describe('boundaries are held by the linter', () => {
  it.each([
    ['core reaching the database by an alias', 'src/core/dose/x.ts', "import '@/db';", 'outside core'],
    ['core reaching the server by dots', 'src/core/dose/x.ts', "import '../../server/actor';", 'outside core'],
    ['core reaching into another topic', 'src/core/dose/x.ts', "import '../tasks/skills';", 'by its index'],
    ['core standing on a package', 'src/core/dose/x.ts', "import 'next';", 'zod alone'],
    ['core asking for the time', 'src/core/dose/x.ts', 'export const x = new Date();', 'time as an argument'],
    ['core throwing dice', 'src/core/dose/x.ts', 'export const x = Math.random();', 'chance as an argument'],
    ['core loading at run time', 'src/core/dose/x.ts', "export const x = import('zod');", 'run time'],
    ['ui reaching the database', 'src/ui/desk/x.ts', "import '../../db/work';", 'never reaches the database'],
    ['ui reaching the server', 'src/ui/desk/x.ts', "import '@/server/actor';", 'never reaches the database'],
    ['a route reaching the database', 'src/app/x.ts', "import '@/db';", 'one use case'],
    ['the server knowing screens', 'src/server/x.ts', "import '@/ui/desk/Shell';", 'no screens'],
    ['the database knowing the server', 'src/db/x.ts', "import '../server/actor';", 'core alone'],
  ])('refuses %s', (_name, file, code, words) => {
    expect(messagesFor(file, code).join('\n')).toContain(words);
  });

  it('lets through what is allowed', () => {
    expect(messagesFor('src/server/x.ts', "import '@/db';\nimport '@/core/dose';\n")).toEqual([]);
  }, 20_000);
});
