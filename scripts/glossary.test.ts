import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

const rows = readFileSync('docs/glossary.md', 'utf8')
  .split('\n')
  .filter((line) => line.startsWith('|'))
  .map((line) => line.split('|').map((cell) => cell.trim()))
  .slice(2);
const retired = new Set(rows.flatMap((cells) => [...cells[4]!.matchAll(/`(\w+)`/g)].map(([, name]) => name!)));
const sources = ['src', 'scripts', 'measure', 'demo', 'library', 'tests'].flatMap((folder) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file))
    .map((file) => path.join(folder, file)),
);

const isRetired = (name: string) => retired.has(name) || /^[A-Z]\w*Wish$/.test(name);

function identifiersOf(file: string, text: string): Set<string> {
  const names = new Set<string>();
  const visit = (node: ts.Node): void => {
    if (ts.isIdentifier(node)) names.add(node.text);
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(file, text, ts.ScriptTarget.Latest, false, file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS));
  return names;
}

// Most files have none of the names at all, and need no parsing.
const retiredIn = (file: string, text: string) =>
  text.match(/\w+/g)?.some(isRetired) ? [...identifiersOf(file, text)].filter(isRetired) : [];

/** Comments of the product that begin like a riddle, not with their subject or a verb. The baseline is frozen by its hash. */
const riddlesIn = (text: string) =>
  text.match(/^\s*(?:\/\*\*\s*(?:\n\s*\*)?|(?<!\/\/.*\n)\/\/) (?:What|Where|Who|Whose|Whom|Whoever|Whatever|Of|By|So|Till) .*/gm) ?? [];

describe('the glossary', () => {
  it('has some forty ideas, each with its name and place', () => {
    expect(rows.length).toBeGreaterThanOrEqual(38);
    expect(rows.filter(([, , name, where]) => !name || !where)).toEqual([]);
    expect(retired.size).toBeGreaterThan(40);
  });

  it('has no retired name in the code', () => {
    expect(sources.length).toBeGreaterThan(1_000);
    const found = sources.flatMap((file) => retiredIn(file, readFileSync(file, 'utf8')).map((name) => `${file}: ${name}`));
    expect(found).toEqual([]);
  });

  it('finds a retired name, and none in words that people read', () => {
    expect(retiredIn('x.ts', 'const wish = 1; interface PlanWish {}')).toEqual(['wish', 'PlanWish']);
    expect(retiredIn('x.tsx', 'const x = <p>One wish, by Lanes</p>;')).toEqual([]);
  });

  it('has comments that begin with their subject or a verb', () => {
    expect(riddlesIn('  /** What a day asks for. */')).toHaveLength(1);
    expect(riddlesIn('/**\n * Of one session. */\n// Whoever asks.')).toHaveLength(2);
    expect(riddlesIn('// Lists the reports\n// of a day. What it asks for.')).toHaveLength(0);
    const product = sources.filter((file) => !/^tests|\.test\.|0001-baseline/.test(file));
    expect(product.flatMap((file) => riddlesIn(readFileSync(file, 'utf8')).map((words) => `${file}: ${words.trim()}`))).toEqual([]);
  });
});
