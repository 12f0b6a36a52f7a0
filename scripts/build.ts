import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { makeFamilyFiles, MADE } from './familyFiles';
import { step } from './say';

const SOURCES = ['src', 'messages', 'library', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json', 'package-lock.json'];
const STAMP = path.join('.next', 'yard-sources');
const WATCHED = /\.(ts|tsx|css|json|mjs|js|svg|png|woff2?)$/;

/** Makes the production build, unless the one that is there was made from the same sources. */
export async function ensureBuild(): Promise<void> {
  const wanted = hashOfSources();
  if (existsSync(STAMP) && existsSync(MADE) && readFileSync(STAMP, 'utf8') === wanted) return;
  await step('Building (about a minute the first time)', async () => {
    await makeFamilyFiles();
    await build();
    writeFileSync(STAMP, wanted);
  });
}

/** Waits without holding up what runs beside. */
function build(): Promise<void> {
  return new Promise((resolve, reject) => {
    const built = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'build'], {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, NODE_ENV: 'production' },
    });
    let said = '';
    const hear = (part: Buffer) => (said = (said + part.toString('utf8')).slice(-6000));
    built.stdout.on('data', hear);
    built.stderr.on('data', hear);
    built.once('error', reject);
    built.once('close', (status) => (status === 0 ? resolve() : reject(new Error(`The build failed:\n${said}`))));
  });
}

function hashOfSources(): string {
  const hash = createHash('sha256');
  for (const file of SOURCES.flatMap(filesBelow).sort()) hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
}

function filesBelow(place: string): string[] {
  if (!existsSync(place)) return [];
  if (statSync(place).isFile()) return [place];
  return readdirSync(place).flatMap((name) => {
    const below = path.join(place, name);
    if (statSync(below).isDirectory()) return filesBelow(below);
    return WATCHED.test(name) && !/\.test\.tsx?$/.test(name) ? [below] : [];
  });
}
