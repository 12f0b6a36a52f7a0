import { spawn } from 'node:child_process';

/** Address and account of a database. */
export interface DumpAddress {
  readonly host: string;
  readonly port: number;
  readonly user: string;
  readonly password: string;
  readonly database: string;
}

/** Starts one of MariaDB's own client programs; the password travels in the environment, where no list of processes shows it. */
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
  // The consumer of the pipe sees the failure, too.
  ended.catch(() => {});
  return { process: child, ended };
}
