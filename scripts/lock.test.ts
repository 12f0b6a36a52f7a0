import { readFileSync } from 'node:fs';

interface Entry {
  readonly resolved?: string;
  readonly optionalDependencies?: Record<string, string>;
}

const text = readFileSync('package-lock.json', 'utf8');
const { packages } = JSON.parse(text) as { packages: Record<string, Entry> };

describe('the lock file', () => {
  it('names no registry', () => {
    expect(Object.values(packages).flatMap((entry) => (entry.resolved ? [entry.resolved] : []))).toEqual([]);
    expect(text).not.toMatch(/https?:\/\/[^"]*(registry|npm)\b[^"]*\.tgz/);
  });

  it('has an entry for every optional dependency that it lists (node scripts/pruneLock.mjs mends it)', () => {
    const names = new Set(Object.keys(packages).map((place) => place.split('node_modules/').at(-1)));
    const missing = Object.values(packages).flatMap((entry) =>
      Object.keys(entry.optionalDependencies ?? {}).filter((name) => !names.has(name)),
    );
    expect(missing).toEqual([]);
  });
});
