import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { contextFrom } from '@/main/contextFrom';
import { throughFault, type FaultFigures } from '../../measure/faults';
import { placesOf } from '../../measure/links';
import { ensureBuild } from '../build';
import { forgetMariaDb } from '../mariadb';
import { pause } from '../processes';
import { freePort } from '../ports';
import { say, step } from '../say';
import { startStack, type Stack } from '../stack';
import { ensureSystemPackages } from '../systemPackages';

const FOLDER = path.resolve('.data', 'faults');
const POSTS = 5_000;
/** A link takes two hundred reports in a day: each child gets enough of them. */
const LINKS_A_CHILD = 20;

/** Breaks one part after the other under load, and writes what became of each report into docs/reliability.md. `test faults` */
export async function faults(): Promise<number> {
  ensureSystemPackages({ database: true, browser: false });
  await ensureBuild();
  await forgetMariaDb(path.join(FOLDER, 'mariadb'));
  rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(FOLDER, { recursive: true, mode: 0o711 });
  const stack = await startStack({ folder: FOLDER, port: await freePort(), mode: 'start', withDemo: true });
  const context = contextFrom({ ...process.env, YARD_DATABASE_URL: stack.databaseUrl, YARD_DATA: FOLDER, YARD_ORIGIN: stack.url });
  const figures: FaultFigures[] = [];
  try {
    const places = await placesOf(context, LINKS_A_CHILD);
    const load = { url: stack.url, db: context.db, places, posts: POSTS };
    for (const [what, breakIt] of faultsOf(stack)) figures.push(await step(what, () => throughFault(what, load, breakIt)));
  } finally {
    await context.db.close();
    await stack.stop();
    await forgetMariaDb(path.join(FOLDER, 'mariadb'));
    rmSync(FOLDER, { recursive: true, force: true });
  }
  const table = asMarkdown(figures);
  writeFileSync(path.join('docs', 'reliability.md'), table);
  say(`\n${table}`);
  return figures.every(({ lost, doubled, rowsAfter, sent }) => lost === 0 && doubled === 0 && rowsAfter === sent) ? 0 : 1;
}

const HANG_MILLISECONDS = 10_000;

function faultsOf(stack: Stack): readonly (readonly [string, () => Promise<void>])[] {
  const kill = (part: 'web' | 'runner' | 'database', signal: NodeJS.Signals) => async () => {
    process.kill(stack.pids()[part]!, signal);
  };
  return [
    ['nothing is broken', async () => {}],
    ['kill -9 of the web server', kill('web', 'SIGKILL')],
    ['kill -9 of the runner', kill('runner', 'SIGKILL')],
    ['kill -9 of the database', kill('database', 'SIGKILL')],
    [
      'the database hangs for 10 s',
      async () => {
        await kill('database', 'SIGSTOP')();
        await pause(HANG_MILLISECONDS);
        await kill('database', 'SIGCONT')();
      },
    ],
    ['the web server is asked to end', kill('web', 'SIGTERM')],
  ];
}

function asMarkdown(figures: readonly FaultFigures[]): string {
  const rows = figures.map(({ what, sent, acknowledged, stored, lost, rowsAfter, doubled, answers, wellAfterSeconds }) => {
    const others = Object.entries(answers).map(([status, count]) => `${count} × ${status}`);
    return `| ${what} | ${sent} | ${acknowledged} | ${stored} | ${lost} | ${others.join(', ') || '–'} | ${rowsAfter} | ${doubled} | ${wellAfterSeconds.toFixed(1)} |`;
  });
  return `# Reliability

Written by \`./yard test faults\`. ${POSTS.toLocaleString('en')} reports, 60 at once, through the real web server into the real database. After a third of them, one part is broken. It must restart on its own. Then every report that was not acknowledged is sent again with the same key, as a phone does.

| fault | sent | acknowledged | of these stored | lost | other answers | rows after sending again | doubled | recovered after, s |
|---|---|---|---|---|---|---|---|---|
${rows.join('\n')}

*Lost*: reports that were acknowledged and are missing. *Doubled*: reports that are stored twice. If one of them is not 0, the command fails. *Cut off*: a connection that broke before its answer. *Not accepted*: a connection while no server was listening.
It does not cover a full disk, a cluster node that hangs, or machines that fail.
`;
}
