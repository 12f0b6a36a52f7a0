/** State of a host at the last check, and since when it has been so without interruption. */
export interface HostState {
  readonly isReady: boolean;
  /** Milliseconds of any clock, the same for all hosts. */
  readonly since: number;
}

export interface ChosenHosts {
  /** Place in the list of hosts; all writing goes there. */
  readonly writer: number;
  readonly reader: number;
}

/**
 * A host that was away is written to again once it has been well for so long: one that comes and goes moves nobody. A process that has just
 * started looks on for as long before it asks anything: it can't know which host came back a moment ago, and where the others still write.
 */
export const WELL_MILLISECONDS = 5_000;

/**
 * Chooses the hosts to write to and to read from. Row locks hold on one node of a cluster alone, so all processes write to the same
 * one: the first healthy one of the list. Reading is spread over the others, each process on its own.
 * @param spread a number that differs from process to process
 * @returns null where no host is ready
 * @example chooseHosts([away, ready, ready], 4, now) // { writer: 1, reader: 2 }
 */
export function chooseHosts(states: readonly HostState[], spread: number, now: number): ChosenHosts | null {
  const places = states.map((_, place) => place);
  const ready = places.filter((place) => states[place]!.isReady);
  if (ready.length === 0) return null;
  const isWell = (place: number) => now - states[place]!.since >= WELL_MILLISECONDS;
  const writer = ready.find(isWell) ?? ready[0]!;
  const others = ready.filter((place) => place !== writer && isWell(place));
  return { writer, reader: others.length === 0 ? writer : others[spread % others.length]! };
}
