import { spawn } from 'node:child_process';

/** Where a database is, and by whom it is asked. */
export interface DumpAddress {
  readonly host: string;
  readonly port: number;
  readonly user: string;
  readonly password: string;
  readonly database: string;
}

/** One of MariaDB's own programs that ask a server; the password travels in the environment, where no list of processes shows it. */
export function start(program: 'mariadb' | 'mariadb-dump', { host, port, user, password }: DumpAddress, words: readonly string[]) {
  const child = spawn(program, ['--no-defaults', '--protocol=tcp', `--host=${host}`, `--port=${port}`, `--user=${user}`, ...words], {
    env: { ...process.env, MYSQL_PWD: password },
  });
  let said = '';
  child.stderr.on('data', (part: Buffer) => (said += part.toString('utf8')));
  const ended = new Promise<void>((resolve, reject) => {
    child.once('error', (error) => reject(new Error(`${program} could not be started: ${error.message}`)));
    child.once('close', (code) =>
      code === 0 ? resolve() : reject(new Error(`${program} stopped: ${said.trim().slice(-400) || `code ${code}`}`)),
    );
  });
  // Whoever waits for the pipe hears of the end, too.
  ended.catch(() => {});
  return { process: child, ended };
}
