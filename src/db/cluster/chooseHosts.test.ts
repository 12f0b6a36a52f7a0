import { chooseHosts, type HostState } from './chooseHosts';

const now = 100_000;
const ready: HostState = { isReady: true, since: 0, wasAlwaysReady: true };
const away: HostState = { isReady: false, since: 90_000, wasAlwaysReady: false };
const backFor = (milliseconds: number): HostState => ({ isReady: true, since: now - milliseconds, wasAlwaysReady: false });

describe('where a process writes and reads in a cluster', () => {
  it.each([
    ['all are ready', [ready, ready, ready], 0, { writer: 0, reader: 1 }],
    ['another process reads elsewhere', [ready, ready, ready], 1, { writer: 0, reader: 2 }],
    ['the first is away', [away, ready, ready], 4, { writer: 1, reader: 2 }],
    ['one alone is left', [away, away, ready], 7, { writer: 2, reader: 2 }],
    ['none is left', [away, away, away], 7, null],
    ['the first came back just now', [backFor(4_999), ready, ready], 0, { writer: 1, reader: 2 }],
    ['the first has been back for a while', [backFor(5_000), ready, ready], 0, { writer: 0, reader: 1 }],
    ['all were away, and one came back', [backFor(10), away, away], 0, { writer: 0, reader: 0 }],
    ['a reader that came back just now is left alone', [ready, backFor(10), ready], 0, { writer: 0, reader: 2 }],
    ['a single host', [ready], 3, { writer: 0, reader: 0 }],
  ] as const)('%s', (_, states, spread, chosen) => {
    expect(chooseHosts(states, spread, now)).toEqual(chosen);
  });

  it('lets every process write to the same host, whatever it reads from', () => {
    for (const first of [ready, away, backFor(10), backFor(9_000)])
      for (const second of [ready, away, backFor(10)]) {
        const writers = [0, 1, 2, 3].map((spread) => chooseHosts([first, second, ready], spread, now)!.writer);
        expect(new Set(writers).size).toBe(1);
      }
  });
});
