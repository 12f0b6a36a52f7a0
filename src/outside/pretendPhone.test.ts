import { appendFileSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { instant } from '@/core/calendar';
import { PretendPhone } from './pretendPhone';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'yard-phone-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const text = (messageId: number, words: string) => ({ messageId, at: instant(1000 + messageId), text: words });

describe('the pretend phone', () => {
  it('keeps texts in the order in which they came, for each family apart', async () => {
    const phone = new PretendPhone(folder, 'http://a.test');
    await phone.deliver(1, text(1, 'first'));
    await phone.deliver(2, text(2, 'other family'));
    await phone.deliver(1, text(3, 'second\nwith a line'));
    expect((await phone.read(1)).map((each) => each.text)).toEqual(['first', 'second\nwith a line']);
    expect(await phone.read(3)).toEqual([]);
  });

  it('lets links open after the program moved to another port', async () => {
    await new PretendPhone(folder, 'http://127.0.0.1:4300').deliver(1, text(1, 'Open http://127.0.0.1:4300/f/token'));
    expect((await new PretendPhone(folder, 'http://127.0.0.1:5500').read(1))[0]!.text).toBe('Open http://127.0.0.1:5500/f/token');
  });

  it('passes over a line that a crash cut short', async () => {
    const phone = new PretendPhone(folder, 'http://a.test');
    await phone.deliver(1, text(1, 'whole'));
    appendFileSync(path.join(folder, '1.jsonl'), '{"messageId":2,"te');
    expect((await phone.read(1)).map((each) => each.text)).toEqual(['whole']);
  });

  it('forgets a family', async () => {
    const phone = new PretendPhone(folder, 'http://a.test');
    await phone.deliver(1, text(1, 'gone'));
    await phone.forget(1);
    expect(await phone.read(1)).toEqual([]);
    await expect(phone.forget(1)).resolves.toBeUndefined();
  });

  it('keeps its files for its own account only', async () => {
    await new PretendPhone(folder, 'http://a.test').deliver(1, text(1, 'private'));
    expect(statSync(path.join(folder, '1.jsonl')).mode & 0o077).toBe(0);
  });
});
