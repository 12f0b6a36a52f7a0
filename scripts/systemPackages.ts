import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { galeraProvider } from './galera';
import { missingMariaDbPrograms } from './mariadb';
import { say } from './say';

/** Draws no window, and needs about half the processor time of the whole browser. */
const HEADLESS_SHELL = { package: 'chromium-headless-shell', program: '/usr/bin/chromium-headless-shell' };
const CHROMIUM = [HEADLESS_SHELL.program, '/usr/bin/chromium', '/usr/bin/chromium-browser'];

/** The browser of the end-to-end tests. */
export function chromiumPath(): string | undefined {
  return process.env.YARD_CHROMIUM ?? CHROMIUM.find((file) => existsSync(file));
}

/**
 * Installs the Debian packages that are missing, as root or by sudo.
 * @throws Error with the exact line to run where this account may not install.
 */
export function ensureSystemPackages(wanted: {
  readonly database: boolean;
  readonly browser: boolean;
  readonly proxy?: boolean;
  readonly clips?: boolean;
  readonly cluster?: boolean;
}): void {
  const packages = [
    ...(wanted.database && missingMariaDbPrograms().length ? ['mariadb-server'] : []),
    ...(wanted.browser && !chromiumPath() ? [HEADLESS_SHELL.package] : []),
    ...(wanted.clips && !existsSync('/usr/bin/ffmpeg') ? ['ffmpeg'] : []),
    ...(wanted.cluster ? missingForCluster() : []),
    ...(wanted.proxy && !existsSync('/usr/sbin/nginx') ? ['nginx-light', 'openssl'] : []),
  ];
  const prefix = process.getuid?.() === 0 ? '' : maySudo() ? 'sudo -n ' : null;
  if (packages.length === 0) {
    // The whole browser does as well, only slower: that the other one can't be had is no fault.
    if (wanted.browser && prefix !== null && !process.env.YARD_CHROMIUM && !existsSync(HEADLESS_SHELL.program))
      install([HEADLESS_SHELL.package], prefix);
    return;
  }
  const line = installLine(packages);
  if (prefix === null)
    throw new Error(
      `${packages.join(' and ')} is missing and this account may not install it. Run this line, then ./yard again:\n  sudo apt-get update && sudo ${line}`,
    );
  const { isDone, errors } = install(packages, prefix);
  if (!isDone)
    throw new Error(`Debian's packages could not be installed. Run this line and look at what it says:\n  ${prefix}${line}\n${errors}`);
}

const installLine = (packages: readonly string[]) => `apt-get install -y --no-install-recommends ${packages.join(' ')}`;

function install(packages: readonly string[], prefix: string): { isDone: boolean; errors: string } {
  say(`Installing ${packages.join(' and ')} from Debian's packages (about a minute)…`);
  const command = `${prefix}apt-get update -qq && ${prefix}env DEBIAN_FRONTEND=noninteractive ${installLine(packages)} -qq`;
  const { status, stderr } = spawnSync('bash', ['-c', command], { encoding: 'utf8' });
  return { isDone: status === 0, errors: (stderr ?? '').slice(-800) };
}

function missingForCluster(): string[] {
  const programs = { rsync: '/usr/bin/rsync', iproute2: '/usr/sbin/ip' };
  return [
    ...(galeraProvider() ? [] : ['galera-4']),
    ...Object.entries(programs).flatMap(([name, file]) => (existsSync(file) ? [] : [name])),
  ];
}

function maySudo(): boolean {
  return spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0;
}
