import sharp from 'sharp';
import { seededRandom } from '@/core/random';
import { readPicture } from '.';

const OPTIONS = { longestPixels: 200, quality: 60 };
const made = (width: number, height: number) => sharp({ create: { width, height, channels: 3, background: '#1f5a4c' } });
const good = async (file: Uint8Array) => {
  const read = await readPicture(file, OPTIONS);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return sharp(read.value).metadata();
};

describe('a picture is read by its content', () => {
  it.each(['jpeg', 'png', 'webp', 'gif'] as const)('a %s becomes a JPEG, no longer than wished', async (format) => {
    expect(await good(await made(400, 100).toFormat(format).toBuffer())).toMatchObject({ format: 'jpeg', width: 200, height: 50 });
  });

  it('is never made larger', async () => {
    expect(await good(await made(40, 30).png().toBuffer())).toMatchObject({ width: 40, height: 30 });
  });

  it('is turned as its camera says, and what stood beside it (place, device, words) is gone', async () => {
    const file = await made(100, 50)
      .withExif({ IFD0: { Make: 'camera of ours', Copyright: 'filmed at home' }, IFD3: { GPSLatitude: '39/1 44/1 21/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const read = await good(file);
    expect(read).toMatchObject({ width: 50, height: 100 });
    expect(read.exif ?? read.xmp ?? read.iptc ?? read.icc).toBeUndefined();
  });

  it('that is none, or says it is larger than any, is refused', async () => {
    const codeOf = async (file: Uint8Array) => {
      const read = await readPicture(file, OPTIONS);
      return read.ok ? 'good' : read.issues[0]!.code;
    };
    const bomb = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><image href="file:///etc/passwd"/></svg>');
    for (const file of [Buffer.alloc(0), Buffer.from('no picture'), bomb]) expect(await codeOf(file)).toBe('notAPicture');
    expect(await codeOf(Buffer.alloc(20 * 1024 * 1024 + 1))).toBe('clipTooLarge');
    expect(await codeOf(await made(4200, 4200).png().toBuffer())).toMatch(/TooManyPixels|notAPicture/);
  });

  it('is answered, however it is broken: 600 of them', async () => {
    const random = seededRandom(3);
    const files = [await made(60, 40).jpeg().toBuffer(), await made(60, 40).png().toBuffer(), await made(60, 40).webp().toBuffer()];
    const codes = new Set<string>();
    for (let index = 0; index < 600; index += 1) {
      const file = Buffer.from(files[index % 3]!);
      for (let flips = 0; flips < 1 + (index % 5); flips += 1) file[Math.floor(random() * file.length)] = Math.floor(random() * 256);
      const read = await readPicture(index % 2 ? file : file.subarray(0, Math.floor(random() * file.length)), OPTIONS);
      codes.add(read.ok ? 'good' : read.issues[0]!.code);
    }
    expect([...codes].filter((code) => !['good', 'notAPicture', 'clipHasTooManyPixels'].includes(code))).toEqual([]);
  });
});
