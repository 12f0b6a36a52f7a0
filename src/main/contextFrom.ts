import { readFileSync } from 'node:fs';
import path from 'node:path';
import { instant } from '@/core/calendar';
import { LANGUAGES } from '@/core/text';
import { openDatabase, readDatabaseUrl } from '@/db';
import { DailyBackups, type DumpAddress } from '@/outside/backup';
import { ByReach } from '@/outside/byReach';
import { Workshop } from '@/outside/clips/workshop';
import { FolderMedia } from '@/outside/folderMedia';
import { HighsSolver } from '@/outside/highsSolver';
import { HttpTexts } from '@/outside/httpTexts';
import { Mail } from '@/outside/mail';
import { MailCatcher } from '@/outside/mailCatcher';
import { PretendPhone } from '@/outside/pretendPhone';
import { secretIn } from '@/outside/secretFile';
import type { Context } from '@/server/context';
import { createContext } from '@/server/createContext';
import type { InstallationSettings } from '@/server/installationSettings';
import type { Clock } from '@/server/ports';

/** Builds the application context from the environment. @throws Error naming the setting that is missing or wrong */
export function contextFrom(environment: NodeJS.ProcessEnv, pool: { max?: number } = {}): Context {
  const url = environment.YARD_DATABASE_URL;
  if (!url) throw new Error('YARD_DATABASE_URL is not set. Start the program with ./yard demo or ./yard dev, which set it.');
  const dataFolder = environment.YARD_DATA ?? path.join(/* turbopackIgnore: true */ process.cwd(), '.data');
  const origin = environment.YARD_ORIGIN ?? 'http://127.0.0.1:3000';
  const now = clockFrom(environment);
  const phone = new PretendPhone(phoneFolder(dataFolder), origin, now);
  const db = openDatabase(url, pool);
  const ownerUrl = environment.YARD_DATABASE_OWNER_URL;
  return createContext({
    db,
    // A single connection, opened once a day when the audit log is cleaned up.
    owner: ownerUrl ? openDatabase(ownerUrl, { max: 1 }) : db,
    now,
    random: Math.random,
    ...messagesFrom(environment, phone, dataFolder),
    backups: backupsFrom(environment, ownerUrl ?? url, dataFolder),
    solver: new HighsSolver(),
    media: new FolderMedia(path.join(dataFolder, 'media')),
    workshop: new Workshop(),
    house: installationFrom(environment),
    origin,
    linkSecret: environment.YARD_LINK_SECRET ?? linkSecretIn(dataFolder),
  });
}

/**
 * Chooses the message services. In the demo the pretend phone receives families' texts, and can be looked at. Elsewhere nothing is
 * accepted that reaches no one: where no service is set up, a message says that it was not sent.
 */
function messagesFrom(environment: NodeJS.ProcessEnv, phone: PretendPhone, folder: string): Pick<Context, 'texts' | 'phone'> {
  const { YARD_TEXTS_ADDRESS: address, YARD_MAIL_SERVER: server } = environment;
  const text = address ? new HttpTexts({ address, key: readSecret(environment.YARD_TEXTS_KEY_FILE, 'YARD_TEXTS_KEY_FILE') }) : null;
  const from = environment.YARD_MAIL_FROM ?? 'yard-steps@localhost';
  const standIn = environment.YARD_PRETEND_PHONE === '1' && !text ? phone : null;
  const email = server ? new Mail({ server, from }) : new MailCatcher(path.join(folder, 'mail'), from, standIn);
  return { texts: new ByReach({ text, email }, standIn), phone: standIn };
}

/** @throws Error where the file is not named or cannot be read */
function readSecret(file: string | undefined, name: string): string {
  if (!file) throw new Error(`${name} names no file`);
  return readFileSync(file, 'utf8').trim();
}

/** Installation settings from the environment; `src/main/settings.ts` has checked them. */
function installationFrom(environment: NodeJS.ProcessEnv): InstallationSettings {
  const requested = environment.YARD_LANGUAGES?.split(',');
  return {
    timeZone: environment.YARD_TIME_ZONE || null,
    languages: requested ? LANGUAGES.filter((language) => requested.includes(language)) : null,
    factorRequired: environment.YARD_SECOND_FACTOR === 'everybody',
    incomingKey: environment.YARD_TEXTS_INCOMING_KEY_FILE
      ? readSecret(environment.YARD_TEXTS_INCOMING_KEY_FILE, 'YARD_TEXTS_INCOMING_KEY_FILE')
      : null,
  };
}

/** Backups by themselves, where a folder for them is named. */
function backupsFrom(environment: NodeJS.ProcessEnv, url: string, dataFolder: string): DailyBackups | null {
  const folder = environment.YARD_BACKUP_FOLDER;
  if (!folder) return null;
  const passphraseFile = environment.YARD_BACKUP_PASSPHRASE_FILE;
  const passphrase = passphraseFile ? readSecret(passphraseFile, 'YARD_BACKUP_PASSPHRASE_FILE') : null;
  return new DailyBackups({
    folder,
    keep: Number(environment.YARD_BACKUP_KEEP ?? 14),
    database: dumpAddressOf(url),
    dataFolder,
    passphrase,
  });
}

/** The host that a dump connects to: the first one. */
export function dumpAddressOf(url: string): DumpAddress {
  const { hosts, ...who } = readDatabaseUrl(url);
  return { ...who, ...hosts[0] };
}

export function phoneFolder(dataFolder: string): string {
  return path.join(dataFolder, 'pretend-phone');
}

/**
 * The machine's clock, or, in tests and for looking at another day, one that runs beside it: `YARD_CLOCK_SHIFT` is the
 * distance in milliseconds, the same for every process that belongs together.
 */
export function clockFrom(environment: NodeJS.ProcessEnv): Clock {
  const shift = Number(environment.YARD_CLOCK_SHIFT ?? 0);
  if (!Number.isFinite(shift))
    throw new Error(`YARD_CLOCK_SHIFT is "${environment.YARD_CLOCK_SHIFT}". Write milliseconds, such as 86400000`);
  return () => instant(Date.now() + shift);
}

/** The secret that links are made with. */
export function linkSecretIn(dataFolder: string): string {
  return secretIn(dataFolder, 'link-secret');
}
