import fc from 'fast-check';
import { chooseHosts, WELL_MILLISECONDS, type HostState } from './chooseHosts';

const now = 100_000;
const ready: HostState = { isReady: true, since: 0 };
const away: HostState = { isReady: false, since: 90_000 };
const backFor = (milliseconds: number): HostState => ({ isReady: true, since: now - milliseconds });

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

  it('lets every process write to the same host, whenever it started and whatever it looked at', () => {
    fc.assert(
      fc.property(outages, fc.array(started, { minLength: 2, maxLength: 5 }), fc.integer({ min: 0, max: END }), (hosts, processes, at) => {
        const asking = processes.filter(({ start }) => at - start >= LOOK_EVERY + WELL_MILLISECONDS);
        const writers = asking.map((each) => chooseHosts(statesOf(hosts, each, at), each.spread, at)?.writer);
        // While the change itself is being seen, each by its own look, they may differ.
        const turns = hosts.flat().flatMap(({ from, until }) => [from, until, until + WELL_MILLISECONDS]);
        fc.pre(turns.every((turn) => at < turn || at >= turn + LOOK_EVERY));
        expect(new Set(writers).size).toBeLessThanOrEqual(1);
      }),
      { numRuns: 3_000 },
    );
  });
});

const END = 60_000;
const LOOK_EVERY = 400;

interface Outage {
  readonly from: number;
  readonly until: number;
}

interface Process {
  readonly start: number;
  readonly spread: number;
}

const started: fc.Arbitrary<Process> = fc.record({ start: fc.integer({ min: 0, max: 30_000 }), spread: fc.nat(9) });

/** Outages of three hosts, each up to three times, never so short that one process sees it and another does not. */
const outages: fc.Arbitrary<Outage[][]> = fc.array(
  fc
    .array(fc.record({ gap: fc.integer({ min: LOOK_EVERY, max: 15_000 }), length: fc.integer({ min: LOOK_EVERY, max: 12_000 }) }), {
      maxLength: 3,
    })
    .map((turns) => {
      let from = 0;
      return turns.map(({ gap, length }) => {
        const outage = { from: from + gap, until: from + gap + length };
        from = outage.until;
        return outage;
      });
    }),
  { minLength: 3, maxLength: 3 },
);

/** Returns the states that a process has seen of each host so far, looking at fixed intervals since its start. */
function statesOf(hosts: readonly Outage[][], { start }: Process, at: number): HostState[] {
  return hosts.map((away) => {
    const isReadyAt = (time: number) => !away.some(({ from, until }) => from <= time && time < until);
    let state: HostState = { isReady: isReadyAt(start), since: start };
    for (let look = start; look <= at; look += LOOK_EVERY)
      if (isReadyAt(look) !== state.isReady) state = { isReady: isReadyAt(look), since: look };
    return state;
  });
}
