import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { isDeep } from '../tests/fixtures/deep';

/** A copy of the product in a folder below its own, so that it finds the same packages. */
let copy: string;
beforeAll(() => {
  mkdirSync('.data', { recursive: true });
  copy = mkdtempSync(path.resolve('.data', 'further-language-'));
  for (const part of ['src', 'messages', 'tsconfig.json', 'package.json']) cpSync(part, path.join(copy, part), { recursive: true });
  const list = path.join(copy, 'src/core/text/languages.ts');
  const before = readFileSync(list, 'utf8');
  writeFileSync(list, before.replace("'fr', 'pt']", "'fr', 'pt', 'vi']"));
  for (const folder of ['family', 'texts']) {
    const english = readFileSync(path.join(copy, 'messages', folder, 'en.json'), 'utf8');
    writeFileSync(path.join(copy, 'messages', folder, 'vi.json'), english.replace(/": "/g, '": "vi: '));
  }
});
afterAll(() => rmSync(copy, { recursive: true, force: true }));

const run = (program: string, words: string[]) => spawnSync(program, words, { cwd: copy, encoding: 'utf8', timeout: 240_000 });

const QUESTIONS = `
  import { isTranslated, languageOf, localTextSchemaOf, mapText, say } from '@/core/text';
  import { textWords } from '@/server/messages/textWords';
  import { familyWords } from '@/ui/shared/familyWords';
  import { languageName } from '@/ui/shared/languageName';
  const text = localTextSchemaOf(1).parse({ en: 'lid', es: 'tapa', vi: 'nap' });
  const old = localTextSchemaOf(1).parse({ en: 'lid', es: 'tapa' });
  console.log(JSON.stringify({
    language: languageOf('vi'),
    name: languageName('vi'),
    said: say(text, 'vi'),
    fallsBack: [say(old, 'vi'), isTranslated(old, 'vi')],
    mapped: mapText(text, (words, language) => language + ' ' + words),
    old,
    page: (await familyWords('vi')).t('minutesAbout', { minutes: 4 }),
    message: await textWords('vi', 'program'),
  }));
`;

describe('a further language, added by its name and its files alone', () => {
  it('is spoken on the family’s page and in its texts; what is not translated yet is said in English', () => {
    const script = path.join(copy, 'src/ask.ts');
    writeFileSync(script, QUESTIONS);
    const { stdout, stderr } = run(process.execPath, [path.resolve('scripts/run.mjs'), script]);
    rmSync(script);
    expect(stderr).not.toMatch(/Error/);
    expect(JSON.parse(stdout)).toMatchObject({
      language: 'vi',
      name: 'Vietnamese',
      said: 'nap',
      fallsBack: ['lid', false],
      mapped: { en: 'en lid', es: 'es tapa', vi: 'vi nap' },
      old: { en: 'lid', es: 'tapa' },
      page: 'vi: about 4 minutes',
      message: expect.stringMatching(/^vi: .*\{link\}/),
    });
  });

  (isDeep ? it : it.skip)(
    'leaves nothing that does not compile',
    () => {
      const project = path.join(copy, 'tsconfig.product.json');
      const parts = { include: ['src'], exclude: ['**/*.test.ts', '**/*.test.tsx'] };
      writeFileSync(
        project,
        JSON.stringify({ extends: './tsconfig.json', compilerOptions: { noEmit: true, incremental: false }, ...parts }),
      );
      const { stdout, status } = run(path.resolve('node_modules/.bin/tsc'), ['-p', project]);
      expect([status, stdout]).toEqual([0, '']);
    },
    250_000,
  );
});
