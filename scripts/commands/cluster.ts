import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { contextFrom, linkSecretIn } from '@/main/contextFrom';
import { signIn } from '@/server/accounts/signIn';
import { CountingTexts, runChaosTest, type ChaosFigures, type World } from '../../measure/hardWeather';
import { placesOf } from '../../measure/links';
import { ensureBuild } from '../build';
import { Galera } from '../galera';
import { freePort } from '../ports';
import { pause, waitFor } from '../processes';
import { say, step } from '../say';
import { startStack, type Stack } from '../stack';
import { ensureSystemPackages } from '../systemPackages';

const FOLDER = path.resolve('.data', 'cluster');
/** Outside of the project: the database's own user must reach it. */
const NODES = '/var/lib/yard-steps/cluster';
const LONGEST_GAP_SECONDS = 6;
const HANG_MILLISECONDS = 15_000;
const CUT_MILLISECONDS = 15_000;

/** Three nodes, two web servers and two runners over them, in hard failure; docs/cluster.md tells what became of each report. `test cluster` */
export async function cluster(): Promise<number> {
  if (process.getuid?.() !== 0) throw new Error('./yard test cluster creates its own networks, which needs root. Run it as root.');
  ensureSystemPackages({ database: true, browser: false, cluster: true });
  await ensureBuild();
  rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(FOLDER, { recursive: true, mode: 0o711 });
  const texts = new CountingTexts();
  const keyFile = path.join(FOLDER, 'texts-key');
  writeFileSync(keyFile, 'key-of-a-test');
  const galera = await step('Forming a cluster of three nodes', () => Galera.start(NODES));
  const stacks: Stack[] = [];
  const figures: ChaosFigures[] = [];
  try {
    const environment = { YARD_TEXTS_ADDRESS: await texts.listen(), YARD_TEXTS_KEY_FILE: keyFile };
    const first = await startStack({ ...(await stackOptions('first', galera)), withDemo: true, environment });
    stacks.push(first);
    const YARD_LINK_SECRET = linkSecretIn(path.join(FOLDER, 'first'));
    stacks.push(
      await startStack({ ...(await stackOptions('second', galera)), withDemo: false, environment: { ...environment, YARD_LINK_SECRET } }),
    );
    const context = contextFrom({
      ...process.env,
      YARD_DATABASE_URL: galera.url,
      YARD_DATA: path.join(FOLDER, 'first'),
      YARD_ORIGIN: first.url,
    });
    try {
      const cookie = `yard=${(await signIn(context, { ...first.access!.therapist })).token}`;
      const places = await placesOf(context, LINKS_A_CHILD);
      const world: World = { context, cookie, urls: stacks.map(({ url }) => url), places, texts };
      for (const [what, breakAndMend] of failureOf(galera, stacks, world)) {
        figures.push(await step(what, () => runChaosTest(what, world, breakAndMend)));
        await galera.untilSize(3);
      }
    } finally {
      await context.db.close();
    }
  } finally {
    for (const stack of stacks) await stack.stop();
    await galera.stop();
    await texts.close();
    Galera.forget(NODES);
    rmSync(FOLDER, { recursive: true, force: true });
  }
  const table = asMarkdown(figures);
  writeFileSync(path.join('docs', 'cluster.md'), table);
  say(`\n${table}`);
  return figures.every(isHeld) ? 0 : 1;
}

/** A link takes two hundred reports in a day: each child gets enough of them. */
const LINKS_A_CHILD = 20;

async function stackOptions(name: string, galera: Galera) {
  const folder = path.join(FOLDER, name);
  mkdirSync(folder, { recursive: true, mode: 0o711 });
  return { folder, port: await freePort(), databaseUrl: galera.url, mode: 'start' as const };
}

const QUORUM_LOST = 'quorum is lost: two nodes fail, and a person tells the third to continue';

function isHeld({ what, lost, doubled, longestGapSeconds, messagesLost, messagesTwice, pages }: ChaosFigures): boolean {
  const isQuick = longestGapSeconds <= LONGEST_GAP_SECONDS || what === QUORUM_LOST;
  return isQuick && [lost, doubled, messagesLost, messagesTwice, pages['500'] ?? 0].every((count) => count === 0);
}

/** The first node is the one that is written to while it is well. */
function failureOf(galera: Galera, stacks: readonly Stack[], world: World): readonly (readonly [string, () => Promise<void>])[] {
  return [
    ['nothing is broken', async () => {}],
    [
      'kill -9 of the node in use, which is started again',
      async () => {
        await galera.kill(0);
        await pause(5_000);
        await galera.run(0);
      },
    ],
    [
      'the node in use hangs for 15 s',
      async () => {
        galera.signal(0, 'SIGSTOP');
        await pause(HANG_MILLISECONDS);
        galera.signal(0, 'SIGCONT');
      },
    ],
    [
      'a node that is only read from hangs for 15 s',
      async () => {
        galera.signal(1, 'SIGSTOP');
        await pause(HANG_MILLISECONDS);
        galera.signal(1, 'SIGCONT');
      },
    ],
    [
      'an empty node joins and receives all data',
      async () => {
        await galera.kill(2);
        galera.empty(2);
        await galera.run(2);
      },
    ],
    [
      'the node in use is cut off from the others, and still answers the program',
      async () => {
        galera.cutFromOthers(0);
        await pause(CUT_MILLISECONDS);
        galera.joinOthers(0);
      },
    ],
    [
      'the network cable of the node in use is pulled',
      async () => {
        galera.unplug(0);
        await pause(CUT_MILLISECONDS);
        galera.plugIn(0);
      },
    ],
    [
      'kill -9 of a web server and a runner',
      async () => {
        process.kill(stacks[0]!.pids().web!, 'SIGKILL');
        process.kill(stacks[1]!.pids().runner!, 'SIGKILL');
      },
    ],
    [
      QUORUM_LOST,
      async () => {
        await Promise.all([galera.kill(0), galera.kill(1)]);
        await untilSaysAway(world);
        galera.goOnAlone(2);
        await pause(8_000);
        await galera.run(0);
        await galera.run(1);
      },
    ],
  ];
}

/** Without a majority nothing is written or read; desk and family are told so in words, with 503. */
async function untilSaysAway({ urls, cookie, places }: World): Promise<void> {
  const family = new URL(places[0]!.link).pathname;
  for (const url of urls)
    for (const [address, words] of [
      ['/caseload', /Our records do not answer/],
      // Which language the family speaks is in the records: every one is told, or the one that was asked for.
      [family, /Our records do not answer[\s\S]*Nuestros registros no responden/],
      [`${family}?lang=es`, /Nuestros registros no responden/],
    ] as const)
      await waitFor(
        `${address} to say that the records are away`,
        async () => {
          const answer = await fetch(`${url}${address}`, { headers: { cookie }, signal: AbortSignal.timeout(15_000) }).catch(() => null);
          return answer?.status === 503 && words.test(await answer.text());
        },
        30_000,
      );
}

function asMarkdown(figures: readonly ChaosFigures[]): string {
  const rows = figures.map((each) => {
    const pages = Object.entries(each.pages).map(([status, count]) => `${count} × ${status}`);
    return `| ${each.what} | ${each.acknowledged} | ${each.lost} | ${each.doubled} | **${each.longestGapSeconds.toFixed(1)}** | ${each.messages} | ${each.messagesLost} | ${each.messagesTwice} | ${pages.join(', ')} |`;
  });
  return `# Cluster failure tests

Written by \`./yard test cluster\`: three Galera nodes of Debian's packages, each in its own network on one machine, with two web servers and two background workers. Eight phones send one report after another, and repeat each with the same key until it is saved. Messages are sent and pages are opened at the same time.

| failure | reports answered as saved | lost | doubled | longest gap, s | messages | lost | sent twice | pages looked at |
|---|---|---|---|---|---|---|---|---|
${rows.join('\n')}

If a report or message is lost or sent twice, or a page is a 500, the command fails. It also fails for a gap of more than ${LONGEST_GAP_SECONDS} s, except when the quorum is lost (then no one can write until a person chooses the node that continues). How to set up a cluster: [running.md](running.md).
`;
}
