import { readFileSync } from 'node:fs';
import path from 'node:path';
import { BufferSource, Input, MP4, WEBM } from 'mediabunny';
import { readClip } from '.';

const WHOLE = { fromSeconds: 0, toSeconds: null, isMuted: false };
const fixture = (name: string) => readFileSync(path.join('tests', 'fixtures', 'clips', name));
const good = async (name: string, options = {}) => {
  const read = await readClip(fixture(name), { ...WHOLE, ...options });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.value;
};
const codeOf = async (file: Uint8Array, options = {}) => {
  const read = await readClip(file, { ...WHOLE, ...options });
  return read.ok ? 'good' : read.issues[0]!.code;
};

describe('a clip is read by its content', () => {
  it.each([
    ['tone.webm', 'video/webm'],
    ['phone.mov', 'video/mp4'],
  ])('%s, as %s of the same length, with its sound', async (name, type) => {
    const clip = await good(name);
    expect(clip).toMatchObject({ type, hasSound: true, fromSeconds: 0 });
    expect(clip.seconds).toBeCloseTo(3, 0);
  });

  it.each(['tone.webm', 'phone.mov'])('what stood in %s beside the pictures is gone', async (name) => {
    expect(fixture(name).includes('filmed at home')).toBe(true);
    const bytes = Buffer.from((await good(name)).bytes);
    for (const word of ['filmed at home', '104.99', 'Lavf']) expect(bytes.includes(word)).toBe(false);
  });

  it('a picture that was filmed upright stays upright', async () => {
    const { bytes } = await good('phone.mov');
    const track = await new Input({ formats: [MP4], source: new BufferSource(bytes) }).getPrimaryVideoTrack();
    expect(track!.rotation).toBe(270);
  });

  it('without sound where none is wished', async () => {
    const { bytes, hasSound } = await good('tone.webm', { isMuted: true });
    expect(hasSound).toBe(false);
    expect(await new Input({ formats: [WEBM], source: new BufferSource(bytes) }).getPrimaryAudioTrack()).toBeNull();
  });

  it('what is cut away at the end is not in it, and of the start no more than to the last whole picture', async () => {
    const whole = await good('phone.mov');
    const { bytes, fromSeconds, seconds } = await good('phone.mov', { fromSeconds: 1.4, toSeconds: 2.2 });
    expect(seconds).toBeCloseTo(0.8, 5);
    // Whole pictures stand at each second of it.
    expect(fromSeconds).toBeCloseTo(0.4, 1);
    expect(bytes.length).toBeLessThan(whole.bytes.length / 2);
    const track = await new Input({ formats: [MP4], source: new BufferSource(bytes) }).getPrimaryVideoTrack();
    expect(await track!.computeDuration()).toBeGreaterThanOrEqual(1.2 - 1e-6);
    expect(await track!.computeDuration()).toBeLessThan(1.6);
  });

  it('gives the same bytes for the same file', async () => {
    const [one, other] = [await good('tone.webm'), await good('tone.webm')];
    expect(Buffer.from(one.bytes).equals(Buffer.from(other.bytes))).toBe(true);
  });
});

describe('a file that is no clip', () => {
  it('is told for what it is', async () => {
    expect(await codeOf(fixture('sound.mp4'))).toBe('clipHasNoPicture');
    expect(await codeOf(fixture('long.mp4'))).toBe('clipTooLong');
    expect(await codeOf(fixture('long.mp4'), { fromSeconds: 5, toSeconds: 20 })).toBe('good');
    expect(await codeOf(fixture('phone.mov'), { fromSeconds: 2.9 })).toBe('clipTooShort');
    expect(await codeOf(fixture('phone.mov'), { fromSeconds: 90 })).toBe('clipTooShort');
    expect(await codeOf(Buffer.alloc(20 * 1024 * 1024 + 1))).toBe('clipTooLarge');
    for (const file of [
      Buffer.alloc(0),
      Buffer.from('<html><script>alert(1)</script>'),
      readFileSync('src/app/icon.svg'),
      Buffer.alloc(5000),
    ])
      expect(await codeOf(file)).toBe('notAClip');
  });
});
