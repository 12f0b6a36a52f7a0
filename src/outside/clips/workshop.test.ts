import { readFileSync } from 'node:fs';
import path from 'node:path';
import { seededRandom, type Random } from '@/core/random';
import { Workshop } from './workshop';
import { draws } from '../../../tests/fixtures/deep';

const WHOLE = { fromSeconds: 0, toSeconds: null, isMuted: false };
const fixture = (name: string) => readFileSync(path.join('tests', 'fixtures', 'clips', name));

/** Broken off in its head, a part of its head wiped out, or a few bytes turned anywhere. */
function broken(file: Buffer, how: number, random: Random): Buffer {
  const below = (most: number) => Math.floor(random() * most);
  if (how < 6) return file.subarray(0, below(1_200));
  if (how === 6) return file.fill(0, below(100), 200 + below(400));
  for (let flips = 0; flips < 12; flips += 1) file[below(file.length)] = below(256);
  return file;
}

describe('the workshop', () => {
  const workshop = new Workshop(250);
  afterAll(() => workshop.close());

  // Files that break off, are bit-flipped, or lie about their own lengths. Some keep their reader busy forever: its thread is ended,
  // and the next file gets a new one.
  it(`answers every file, however it is broken: ${draws(160, 1_000)} of them, more than four of five of which are none`, async () => {
    const random = seededRandom(18);
    const answers = new Map<string, number>();
    for (const name of ['tone.webm', 'phone.mov']) {
      const whole = fixture(name);
      for (let index = 0; index < draws(80, 500); index += 1) {
        const file = broken(Buffer.from(whole), index % 8, random);
        const read = await workshop.readClip(file, WHOLE);
        const code = read.ok ? 'good' : read.issues[0]!.code;
        answers.set(code, (answers.get(code) ?? 0) + 1);
      }
    }
    const known = ['good', 'notAClip', 'clipTooShort', 'clipTooLong', 'clipHasNoPicture', 'clipHasTooManyPixels'];
    expect([...answers.keys()].filter((code) => !known.includes(code))).toEqual([]);
    // The others are clips still: a byte turned in a picture breaks no file.
    expect(draws(160, 1_000) - (answers.get('good') ?? 0)).toBeGreaterThan(draws(128, 800));
    expect([...answers.values()].reduce((sum, count) => sum + count, 0)).toBe(draws(160, 1_000));
    // The reader that was brought down so often still reads.
    expect((await workshop.readClip(fixture('tone.webm'), WHOLE)).ok).toBe(true);
  }, 120_000);

  it('makes a small form that plays anywhere, a poster and stills, or says that it has nothing to make them with', async () => {
    const read = await workshop.readClip(fixture('phone.mov'), { ...WHOLE, fromSeconds: 1.4, toSeconds: 2.6 });
    if (!read.ok) throw new Error('not read');
    const options = { type: read.value.type, fromSeconds: read.value.fromSeconds, seconds: read.value.seconds, stillsAt: [0, 0.6] };
    const made = (await workshop.makeForms(read.value.bytes, options))!;
    expect(made.map(({ part }) => part)).toEqual(['small', 'poster', 'still1', 'still2']);
    const small = await workshop.readClip(made[0]!.content, WHOLE);
    expect(small).toMatchObject({ ok: true, value: { type: 'video/mp4', hasSound: true } });
    // Cut to the very picture, where the copy begins at the last whole one.
    expect(small.ok && small.value.seconds).toBeCloseTo(1.2, 1);
    const way = process.env.PATH;
    process.env.PATH = '/nowhere';
    expect(await workshop.makeForms(read.value.bytes, options)).toBeNull();
    process.env.PATH = way;
  }, 30_000);

  it('ends with the words of the tool where a form cannot be made', async () => {
    await expect(
      workshop.makeForms(Buffer.from('no clip'), { type: 'video/mp4', fromSeconds: 0, seconds: 1, stillsAt: [] }),
    ).rejects.toThrow(/ffmpeg/);
  });
});
