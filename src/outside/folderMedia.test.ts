import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { FolderMedia } from './folderMedia';

describe('media in a folder', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'yard-media-'));
  const media = new FolderMedia(folder);
  afterAll(() => rmSync(folder, { recursive: true }));
  const files = () => readdirSync(folder, { recursive: true, withFileTypes: true }).filter((each) => each.isFile()).length;
  const textOf = async (stream: ReadableStream<Uint8Array> | null) => stream && new Response(stream).text();

  it('have the name of their content, and are kept once', async () => {
    // Source: FIPS 180-4, the digest of "abc".
    const name = 'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad';
    expect(await media.put(Buffer.from('abc'))).toBe(name);
    expect(await Promise.all([media.put(Buffer.from('abc')), media.put(Buffer.from('abc'))])).toEqual([name, name]);
    expect(files()).toBe(1);
    expect(await textOf(await media.read(name))).toBe('abc');
    expect(await textOf(await media.read(name, { start: 1, end: 1 }))).toBe('b');
    expect(Buffer.from(await media.whole(name)).toString()).toBe('abc');
  });

  it('are gone once they are dropped, and dropping them again is no fault', async () => {
    const name = await media.put(Buffer.from('abc'));
    await media.drop(name);
    await media.drop(name);
    expect(files()).toBe(0);
    expect(await media.read(name)).toBeNull();
    await media.put(Buffer.from('abc'));
    writeFileSync(path.join(folder, 'ba', `${name}.1.part`), 'a');
    await media.dropHalves(name);
    expect(files()).toBe(1);
    await media.drop(name);
    await expect(media.whole(name)).rejects.toThrow();
  });

  it.each(['', '../link-secret', 'ab/../../link-secret', 'A'.repeat(64), '/etc/passwd'])(
    'nothing outside of the folder is reached by “%s”',
    async (name) => {
      await expect((async () => media.read(name))()).rejects.toThrow(/Not the name/);
      await expect((async () => media.drop(name))()).rejects.toThrow(/Not the name/);
    },
  );
});
