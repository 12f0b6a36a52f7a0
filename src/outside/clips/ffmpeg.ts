import { spawn } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readPicture } from '@/formats/picture';
import type { RenditionOptions, MadeFile } from '@/server/ports';

/** All of it together, and shorter than a job's lease: a clip of a minute takes a few seconds. */
const PATIENCE_MILLISECONDS = 40_000;
const SMALL_PIXELS = 480;
const SMALL_PICTURES_A_SECOND = 20;
/** Chosen by looking: hands and what they hold are still clear, and a still weighs about 15 kB. */
const STILL = { longestPixels: 480, quality: 55 } as const;
const POSTER = { longestPixels: 320, quality: 50 } as const;

/** A picture no larger than it was, its sides even, as the format asks. */
const SCALE = `fps=${SMALL_PICTURES_A_SECOND},scale='if(gt(iw,ih),min(${SMALL_PIXELS},iw),-2)':'if(gt(iw,ih),-2,min(${SMALL_PIXELS},ih))',crop=trunc(iw/2)*2:trunc(ih/2)*2`;

/**
 * A small form that any phone plays (H.264, AAC), its first picture and stills of it, by Debian's ffmpeg. The clip was read and written anew
 * by us before: no file of anybody else's reaches it.
 * @returns null where there is no ffmpeg
 */
export async function makeForms(
  original: Uint8Array,
  { type, fromSeconds, seconds, stillsAt }: RenditionOptions,
): Promise<MadeFile[] | null> {
  const folder = await mkdtemp(path.join(tmpdir(), 'yard-clip-'));
  const at = (name: string) => path.join(folder, name);
  const ends = AbortSignal.timeout(PATIENCE_MILLISECONDS);
  try {
    await writeFile(at('original'), original, { mode: 0o600 });
    const small = await run(
      [
        ...['-ss', String(fromSeconds), '-t', String(seconds), '-f', type === 'video/webm' ? 'matroska' : 'mov', '-i', at('original')],
        ...['-map', '0:v:0', '-map', '0:a:0?', '-map_metadata', '-1', '-vf', SCALE, '-threads', '1'],
        ...['-c:v', 'libx264', '-preset', 'veryfast', '-profile:v', 'baseline', '-pix_fmt', 'yuv420p', '-crf', '30'],
        ...['-c:a', 'aac', '-ac', '1', '-b:a', '48k', '-movflags', '+faststart', '-f', 'mp4', at('small.mp4')],
      ],
      ends,
    );
    if (!small) return null;
    const made: MadeFile[] = [{ part: 'small', type: 'video/mp4', atSeconds: null, content: await readFile(at('small.mp4')) }];
    const poster = await picture(folder, 0, POSTER, ends);
    if (poster) made.push({ part: 'poster', type: 'image/jpeg', atSeconds: null, content: poster });
    for (const [index, moment] of stillsAt.slice(0, 6).entries()) {
      const still = await picture(folder, moment, STILL, ends);
      if (still) made.push({ part: `still${index + 1}` as MadeFile['part'], type: 'image/jpeg', atSeconds: moment, content: still });
    }
    return made;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Null where the clip is over by then. */
async function picture(
  folder: string,
  atSeconds: number,
  options: typeof STILL | typeof POSTER,
  ends: AbortSignal,
): Promise<Uint8Array | null> {
  const file = path.join(folder, 'picture.png');
  await rm(file, { force: true });
  await run(['-ss', String(atSeconds), '-i', path.join(folder, 'small.mp4'), '-frames:v', '1', '-f', 'image2', file], ends);
  const png = await readFile(file).catch(() => null);
  const read = png && (await readPicture(png, options));
  return read?.ok ? read.value : null;
}

/** False where there is no ffmpeg. @throws Error with what it said, where it failed or took too long */
function run(words: readonly string[], ends: AbortSignal): Promise<boolean> {
  return new Promise((resolve, reject) => {
    const child = spawn('ffmpeg', ['-nostdin', '-hide_banner', '-v', 'error', '-y', '-protocol_whitelist', 'file', ...words], {
      // It needs nothing of what the program knows.
      env: { PATH: process.env.PATH, NODE_ENV: process.env.NODE_ENV },
      stdio: ['ignore', 'ignore', 'pipe'],
      signal: ends,
      killSignal: 'SIGKILL',
    });
    let said = '';
    child.stderr.on('data', (part: Buffer) => (said = (said + part.toString()).slice(-400)));
    child.once('error', (error: NodeJS.ErrnoException) => (error.code === 'ENOENT' ? resolve(false) : reject(error)));
    child.once('close', (code) => (code === 0 ? resolve(true) : reject(new Error(`ffmpeg stopped: ${said.trim() || `code ${code}`}`))));
  });
}
