import { mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { instant } from '@/core/calendar';
import { PretendPhone } from './pretendPhone';

let folder: string;
let now = 1000;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'yard-phone-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const phoneAt = (origin = 'http://a.test') => new PretendPhone(folder, origin, () => instant((now += 1)));
const text = (to: string, key: string, words: string) => ({ to, reach: null, idempotencyKey: key, text: words });

describe('the pretend phone', () => {
  it('keeps texts in the order in which they came, for each family apart', async () => {
    const phone = phoneAt();
    await phone.send(text('family-1', 'deliver:1', 'first'));
    await phone.send(text('family-2', 'deliver:2', 'other family'));
    await phone.send(text('family-1', 'deliver:3', 'second\nwith a line'));
    expect((await phone.read('family-1')).map((each) => each.text)).toEqual(['first', 'second\nwith a line']);
    expect(await phone.read('family-3')).toEqual([]);
  });

  it('takes a text once by its key, also when it is asked many times at once and by several senders', async () => {
    const receipts = await Promise.all(Array.from({ length: 12 }, () => phoneAt().send(text('family-1', 'deliver:1', 'once'))));
    expect(receipts.filter((receipt) => !receipt.repeated)).toHaveLength(1);
    expect(await phoneAt().read('family-1')).toHaveLength(1);
    expect(readdirSync(path.join(folder, 'family-1'))).toHaveLength(1);
  });

  it('lets links open after the program moved to another port', async () => {
    await phoneAt('http://127.0.0.1:4300').send(text('family-1', 'k', 'Open http://127.0.0.1:4300/f/token'));
    expect((await phoneAt('http://127.0.0.1:5500').read('family-1'))[0]!.text).toBe('Open http://127.0.0.1:5500/f/token');
  });

  it('does not show what a killed sender left half written', async () => {
    await phoneAt().send(text('family-1', 'k', 'whole'));
    writeFileSync(path.join(folder, 'family-1', 'abc.json.99.1'), '{"key":"x","te');
    expect((await phoneAt().read('family-1')).map((each) => each.text)).toEqual(['whole']);
  });

  it('forgets a family, and does not mind being asked again', async () => {
    const phone = phoneAt();
    await phone.send(text('family-1', 'k', 'gone'));
    await phone.forget('family-1');
    expect(await phone.read('family-1')).toEqual([]);
    await expect(phone.forget('family-1')).resolves.toBeUndefined();
  });

  it('keeps its files for its own account only, and never leaves its folder', async () => {
    await phoneAt().send(text('family-1', 'k', 'private'));
    const [name] = readdirSync(path.join(folder, 'family-1'));
    expect(statSync(path.join(folder, 'family-1', name!)).mode & 0o077).toBe(0);
    await expect(phoneAt().read('../secrets')).rejects.toThrow(RangeError);
  });
});
