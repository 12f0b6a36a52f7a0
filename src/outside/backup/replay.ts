import { spawn } from 'node:child_process';
import { createReadStream } from 'node:fs';
import { readdir } from 'node:fs/promises';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { pipeline } from 'node:stream/promises';
import { start, type DumpAddress } from './client';

export interface ReplayOptions {
  /** Folder of the binary log, or of a copy of it. */
  readonly folder: string;
  /** Up to this moment, as `YYYY-MM-DD HH:MM:SS` in UTC; null for all of it. */
  readonly until: string | null;
}

export interface LogPart {
  readonly files: readonly string[];
  readonly position: number;
  readonly until: string | null;
}

const MOST_LINES_OF_HEAD = 200;

/** Which part of the log comes after a dump. @throws Error where the dump says nothing of a log, or its files are not there */
export async function logAfter(dump: string, { folder, until }: ReplayOptions): Promise<LogPart> {
  const head = await headOf(dump);
  const place = head.match(/MASTER_LOG_FILE='([\w.-]+)', MASTER_LOG_POS=(\d+)/);
  if (!place) throw new Error('This backup has no position in a binary log, because its server kept none. Restore it without --replay.');
  const [, first, position] = place as unknown as [string, string, string];
  const files = (await readdir(folder))
    .filter((name) => /\.\d+$/.test(name) && name.split('.')[0] === first.split('.')[0] && name >= first)
    .sort();
  if (files[0] !== first) throw new Error(`${folder} does not have ${first}, the first log file after this backup.`);
  const gap = files.findIndex((name, index) => index > 0 && numberOf(name) !== numberOf(files[index - 1]!) + 1);
  if (gap > 0) throw new Error(`${folder} holds ${files[gap]}, and not the file before it: the log has a gap.`);
  return { files: files.map((name) => path.join(folder, name)), position: Number(position), until };
}

const numberOf = (name: string) => Number(name.split('.').at(-1));

async function headOf(file: string): Promise<string> {
  const lines: string[] = [];
  const stream = createReadStream(file);
  for await (const line of createInterface({ input: stream })) {
    lines.push(line.slice(0, 300));
    if (lines.length >= MOST_LINES_OF_HEAD) break;
  }
  stream.destroy();
  return lines.join('\n');
}

/** Does once more what a log tells. */
export async function playOn(database: DumpAddress, { files, position, until }: LogPart): Promise<void> {
  const words = [
    '--no-defaults',
    `--start-position=${position}`,
    `--database=${database.database}`,
    ...(until ? [`--stop-datetime=${until}`] : []),
  ];
  const reader = spawn('mariadb-binlog', [...words, ...files], { env: { ...process.env, TZ: 'UTC' }, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  reader.stderr.on('data', (part: Buffer) => (said += part.toString('utf8')));
  const read = new Promise<void>((resolve, reject) => {
    reader.once('error', reject);
    reader.once('close', (code) => (code === 0 ? resolve() : reject(new Error(`mariadb-binlog stopped: ${said.trim().slice(-400)}`))));
  });
  const client = start('mariadb', database, ['--binary-mode', '--sandbox', database.database]);
  await Promise.all([pipeline(reader.stdout, client.process.stdin), read, client.ended]);
}
