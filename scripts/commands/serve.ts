import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { contextFrom } from '@/main/contextFrom';
import { settingsFrom, type Settings } from '@/main/settings';
import { inviteFirst } from '@/server/accounts/invitations';
import { addStockTasks } from '@/server/tasks/stockLibrary';
import { loadLibrary } from '../../library/loadLibrary';
import { ensureBuild } from '../build';
import { say, step } from '../say';
import { startStack } from '../stack';
import { ensureSystemPackages } from '../systemPackages';
import { refuseSecond, untilStopped } from './demo';

/** The product without the demo. An empty database gets the stock library, and a one-time link for the first account. */
export async function serve(words: readonly string[]): Promise<number> {
  const settings = settingsOf(words);
  const { listen, publicAddress, database, databaseOwner, dataFolder, processes } = settings;
  mkdirSync(dataFolder, { recursive: true, mode: 0o711 });
  const pidFile = path.join(dataFolder, 'yard.pid');
  refuseSecond(pidFile);
  ensureSystemPackages({ database: database === null, browser: false });
  await ensureBuild();
  const stack = await startStack({
    folder: dataFolder,
    ...listen,
    ...(database !== null && { databaseUrl: database, ownerUrl: databaseOwner ?? undefined }),
    origin: publicAddress ?? undefined,
    mode: 'start',
    withDemo: false,
    processes,
    environment: environmentOf(settings),
  });
  writeFileSync(pidFile, String(process.pid));
  const address = publicAddress ?? stack.url;
  const token = await prepareFirstStart({ YARD_DATABASE_URL: stack.databaseUrl, YARD_DATA: dataFolder, YARD_ORIGIN: address });
  say(`\nYard Steps       ${address}`);
  if (token)
    say(
      `first account    ${address}/set-up/${token}\n                 (works once, for seven days, and the next start prints another one)`,
    );
  say('\nPress Ctrl-C to stop. Your data is kept.');
  return untilStopped(stack, pidFile);
}

/** The settings that a command is given by `--config`, or finds. */
export function settingsOf(words: readonly string[]): Settings {
  return settingsFrom(wordAfter(words, '--config'), process.env);
}

/** Returns the value behind a word of a command; null where the word is missing. @throws Error where nothing is behind it */
export function wordAfter(words: readonly string[], name: string): string | null {
  const place = words.indexOf(name);
  if (place < 0) return null;
  const next = words[place + 1];
  if (!next || next.startsWith('--')) throw new Error(`Write ${name} with what belongs to it, such as ${name} FILE.`);
  return next;
}

/** Returns the environment by which the processes read the settings. */
function environmentOf({
  trustProxy,
  backup,
  texts,
  mail,
  timeZone,
  languages,
  secondFactor,
  allowedHosts,
  metrics,
}: Settings): Record<string, string> {
  return {
    YARD_TRUST_PROXY: trustProxy.join(','),
    ...(texts && { YARD_TEXTS_ADDRESS: texts.address, YARD_TEXTS_KEY_FILE: path.resolve(texts.keyFile) }),
    ...(texts?.incomingKeyFile && { YARD_TEXTS_INCOMING_KEY_FILE: path.resolve(texts.incomingKeyFile) }),
    ...(mail && { YARD_MAIL_SERVER: mail.server, YARD_MAIL_FROM: mail.from }),
    YARD_SECOND_FACTOR: secondFactor,
    YARD_ALLOWED_HOSTS: allowedHosts.join(','),
    ...(metrics && { YARD_METRICS_HOST: metrics.host, YARD_METRICS_PORT: String(metrics.port) }),
    ...(timeZone && { YARD_TIME_ZONE: timeZone }),
    ...(languages && { YARD_LANGUAGES: languages.join(',') }),
    ...(backup && { YARD_BACKUP_FOLDER: path.resolve(backup.folder), YARD_BACKUP_KEEP: String(backup.keep) }),
    ...(backup?.passphraseFile && { YARD_BACKUP_PASSPHRASE_FILE: path.resolve(backup.passphraseFile) }),
  };
}

async function prepareFirstStart(environment: Record<string, string>): Promise<string | null> {
  const context = contextFrom({ ...process.env, ...environment }, { max: 2 });
  try {
    await step('Looking after the stock library', () => addStockTasks(context, loadLibrary()));
    return await inviteFirst(context);
  } finally {
    await context.db.close();
  }
}
