import { createHash, randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { buildSync } from 'esbuild';

/**
 * Runs a TypeScript program: `node scripts/run.mjs FILE ARGUMENTS…`. Bundling all of our own files first (half a second) starts
 * a program about ten times as fast as compiling and resolving hundreds of them one by one. Packages are not bundled.
 */
const [file, ...given] = process.argv.slice(2);
const { outputFiles } = buildSync({
  entryPoints: [file],
  outdir: 'out',
  bundle: true,
  write: false,
  splitting: true,
  sourcemap: 'linked',
  sourceRoot: pathToFileURL(path.resolve('out') + path.sep).href,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  keepNames: true,
  logLevel: 'error',
});
const hash = createHash('sha256');
for (const { hash: part } of outputFiles) hash.update(part);
// Below node_modules, where the packages are found from; named by content, so that programs may start side by side.
const folder = path.resolve('node_modules', '.cache', 'yard', hash.digest('hex').slice(0, 16));
if (!existsSync(folder)) {
  const unfinished = `${folder}-${randomUUID()}`;
  mkdirSync(unfinished, { recursive: true });
  for (const output of outputFiles) writeFileSync(path.join(unfinished, path.basename(output.path)), output.contents);
  try {
    renameSync(unfinished, folder);
  } catch {
    // Another process was first.
    rmSync(unfinished, { recursive: true });
  }
}
process.setSourceMapsEnabled(true);
process.argv = [process.argv[0], path.resolve(file), ...given];
await import(pathToFileURL(path.join(folder, `${path.basename(file, path.extname(file))}.js`)).href);
