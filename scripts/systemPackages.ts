import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { galeraProvider } from './galera';
import { missingMariaDbPrograms } from './mariadb';
import { say } from './say';

const CHROMIUM = ['/usr/bin/chromium', '/usr/bin/chromium-browser'];

export function chromiumPath(): string | null {
  return process.env.YARD_CHROMIUM ?? CHROMIUM.find((file) => existsSync(file)) ?? null;
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
    ...(wanted.browser && !chromiumPath() ? ['chromium'] : []),
    ...(wanted.clips && !existsSync('/usr/bin/ffmpeg') ? ['ffmpeg'] : []),
    ...(wanted.cluster ? missingForCluster() : []),
    ...(wanted.proxy && !existsSync('/usr/sbin/nginx') ? ['nginx-light', 'openssl'] : []),
  ];
  if (packages.length === 0) return;
  const install = `apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  const prefix = process.getuid?.() === 0 ? '' : maySudo() ? 'sudo -n ' : null;
  if (prefix === null)
    throw new Error(
      `${packages.join(' and ')} is missing and this account may not install it. Run this line, then ./yard again:\n  sudo apt-get update && sudo ${install}`,
    );
  say(`Installing ${packages.join(' and ')} from Debian's packages (about a minute)…`);
  const ran = spawnSync('bash', ['-c', `${prefix}apt-get update -qq && ${prefix}env DEBIAN_FRONTEND=noninteractive ${install} -qq`], {
    encoding: 'utf8',
  });
  if (ran.status !== 0)
    throw new Error(
      `Debian's packages could not be installed. Run this line and look at what it says:\n  ${prefix}${install}\n${(ran.stderr ?? '').slice(-800)}`,
    );
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
