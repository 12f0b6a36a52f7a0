import { createHash } from 'node:crypto';
import { copyFileSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { build, type BuildOptions } from 'esbuild';
import postcss from 'postcss';

/** Files that a family's page loads: built here, named by their content, so that a phone can cache them for good. */
export const MADE = path.join('public', 'f', 'made');
const STYLES = path.join('src', 'ui', 'family', 'family.css');
const FRAME = path.join('src', 'ui', 'family', 'script', 'family.ts');
const DANGER = path.join('src', 'ui', 'family', 'script', 'danger.ts');
const WORKER = path.join('src', 'ui', 'family', 'worker', 'worker.ts');
/** The therapist's own, for a trial sheet where there is no network. */
const SHEET_WORKER = path.join('src', 'ui', 'desk', 'measurements', 'visit', 'worker.ts');
/** Browsers of about 2019 and later run it; an older one has the plain form. */
const TARGET = 'es2019';

/** The therapist's own, too: thousands of simulated children. */
const LAB = path.join('src', 'ui', 'desk', 'stepRules', 'worker.ts');
const SOLVER = path.join('src', 'ui', 'desk', 'planner', 'worker.ts');
/** A therapist's browser is a newer one. */
const DESK_TARGET = 'es2022';

const common: BuildOptions = { bundle: true, minify: true, target: TARGET, write: false, logLevel: 'silent', legalComments: 'none' };

/** Makes style sheet, script and worker of the family's pages into public/f, and the list of their names; the desk's two workers into public/visit and public/plan. */
export async function makeFamilyFiles(): Promise<void> {
  const [styles, script, danger, worker, sheetWorker, solver, lab] = await Promise.all([
    stylesOf(),
    bundled(FRAME),
    bundled(DANGER),
    bundled(WORKER),
    bundled(SHEET_WORKER),
    bundled(SOLVER, DESK_TARGET),
    bundled(LAB, DESK_TARGET),
  ]);
  rmSync(MADE, { recursive: true, force: true });
  mkdirSync(MADE, { recursive: true });
  for (const { path: name, contents } of styles.fonts) writeFileSync(path.join(MADE, path.basename(name)), contents);
  const names = { styles: named('family.css', styles.css), script: named('family.js', script), danger: named('danger.js', danger) };
  writeFileSync(path.join(MADE, names.styles), styles.css);
  writeFileSync(path.join(MADE, names.script), script);
  writeFileSync(path.join(MADE, names.danger), danger);
  writeFileSync(path.join(MADE, 'names.json'), JSON.stringify(names));
  // Its name stays: a browser looks for a newer worker at the address of the old one.
  writeFileSync(path.join('public', 'f', 'worker.js'), worker);
  mkdirSync(path.join('public', 'plan'), { recursive: true });
  writeFileSync(path.join('public', 'plan', 'worker.js'), solver);
  copyFileSync(path.join('node_modules', 'highs', 'build', 'highs.wasm'), path.join('public', 'plan', 'highs.wasm'));
  mkdirSync(path.join('public', 'lab'), { recursive: true });
  writeFileSync(path.join('public', 'lab', 'worker.js'), lab);
  mkdirSync(path.join('public', 'visit'), { recursive: true });
  writeFileSync(path.join('public', 'visit', 'worker.js'), sheetWorker);
}

async function stylesOf() {
  // Fetched when it is needed: it is of a kind that tests can't load.
  const { default: tailwind } = await import('@tailwindcss/postcss');
  const { css: whole } = await postcss([tailwind({ optimize: false })]).process(readFileSync(STYLES, 'utf8'), { from: STYLES });
  const { outputFiles } = await build({
    ...common,
    stdin: { contents: whole, loader: 'css', resolveDir: path.dirname(STYLES) },
    loader: { '.woff2': 'file', '.woff': 'empty' },
    assetNames: '[name]-[hash]',
    outdir: MADE,
  });
  const sheet = outputFiles!.find((file) => file.path.endsWith('.css'))!;
  // On a slow line the phone's own letters stay for this once: nothing moves when ours come.
  const css = sheet.text.replaceAll(/font-display:\s*swap/g, 'font-display:optional');
  return { css, fonts: outputFiles!.filter((file) => file !== sheet) };
}

async function bundled(entry: string, target = TARGET): Promise<string> {
  const { outputFiles } = await build({
    ...common,
    target,
    entryPoints: [entry],
    format: 'iife',
    tsconfig: 'tsconfig.json',
    external: ['node:*', 'module', 'fs', 'path', 'url', 'crypto'],
  });
  return outputFiles![0]!.text;
}

function named(file: string, text: string): string {
  const { name, ext } = path.parse(file);
  return `${name}-${createHash('sha256').update(text).digest('hex').slice(0, 10)}${ext}`;
}
