import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

const FOLDERS = ['src', 'scripts', 'measure', 'demo', 'library'];

function productFiles(): string[] {
  return FOLDERS.flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((name) => path.join(folder, name)),
  ).filter((file) => /\.tsx?$/.test(file) && !/\.(test|d)\.tsx?$/.test(file));
}

/** The file that an import names; null for packages. */
function resolve(from: string, name: string): string | null {
  if (!/^(@\/|\.)/.test(name)) return null;
  const base = name.startsWith('@/') ? path.join('src', name.slice(2)) : path.join(path.dirname(from), name);
  const candidates = [base, `${base}.ts`, `${base}.tsx`, path.join(base, 'index.ts')];
  return candidates.find((file) => existsSync(file) && statSync(file).isFile()) ?? null;
}

/** Files that lie on a circle of imports, or between two: files whose imports are all resolved are removed until no more can be. */
function filesInCircles(imports: ReadonlyMap<string, readonly string[]>): string[] {
  const left = new Map(imports);
  for (let before = -1; before !== left.size;) {
    before = left.size;
    for (const [file, targets] of left) if (!targets.some((target) => left.has(target))) left.delete(file);
  }
  // Files that only lead to a circle, and to which nothing in one leads back, are not part of it.
  for (let before = -1; before !== left.size;) {
    before = left.size;
    const targets = new Set([...left.values()].flat());
    for (const file of left.keys()) if (!targets.has(file)) left.delete(file);
  }
  return [...left.keys()];
}

describe('imports', () => {
  test('finds the files of a circle, and not those that lead to it or away from it', () => {
    const imports = new Map([
      ['start', ['a']],
      ['a', ['b', 'end']],
      ['b', ['c']],
      ['c', ['a']],
      ['end', []],
    ]);
    expect(filesInCircles(imports)).toEqual(['a', 'b', 'c']);
  });

  test('make no circle, types included', () => {
    const imports = new Map(
      productFiles().map((file) => {
        const { importedFiles } = ts.preProcessFile(readFileSync(file, 'utf8'), true, true);
        return [file, importedFiles.flatMap(({ fileName }) => resolve(file, fileName) ?? [])];
      }),
    );
    expect(imports.size).toBeGreaterThan(900);
    expect(filesInCircles(imports)).toEqual([]);
  });
});
