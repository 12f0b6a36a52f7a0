import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A report that has not reached us yet, kept on the family's own phone until it has. */
export interface KeptReport {
  readonly address: string;
  readonly fields: readonly (readonly [string, string])[];
  /** Why it was not taken in, where it was refused: it is kept, so that nothing that was said is lost. */
  readonly refused?: string;
  /** When it was kept: reports go out in this order. */
  readonly at?: number;
}

export type Sending =
  | { readonly kind: 'taken'; readonly next: string }
  | { readonly kind: 'refused'; readonly words: string; readonly fields: Record<string, string> }
  | { readonly kind: 'kept' };

interface Outbox extends DBSchema {
  reports: { key: string; value: KeptReport & { readonly key: string } };
}

const NAME = 'yard-outbox';
let opened: Promise<IDBPDatabase<Outbox>> | undefined;

async function database(): Promise<IDBPDatabase<Outbox>> {
  opened ??= openDB<Outbox>(NAME, 1, { upgrade: (db) => void db.createObjectStore('reports', { keyPath: 'key' }) });
  return opened;
}

/** All that waits on this phone, of one family's address, oldest first: also what an older page of ours kept in another place. */
export async function keptReports(address: string): Promise<KeptReport[]> {
  const all = await database()
    .then((db) => db.getAll('reports'))
    .catch((): KeptReport[] => []);
  const keys = new Set(all.map(keyOf));
  return [...inSimpleStore().filter((report) => !keys.has(keyOf(report))), ...all]
    .filter((report) => report.address === address)
    .sort((a, b) => (a.at ?? 0) - (b.at ?? 0));
}

/** Keeps a report. A phone whose larger store is full or closed uses the small one; one without any still sends. */
export async function keep(report: KeptReport): Promise<void> {
  const value = { at: Date.now(), ...report, key: keyOf(report) };
  try {
    await (await database()).put('reports', value);
    storeSimply(inSimpleStore().filter((each) => keyOf(each) !== value.key));
  } catch {
    storeSimply([...inSimpleStore().filter((each) => keyOf(each) !== value.key), value]);
  }
}

export async function drop(report: KeptReport): Promise<void> {
  storeSimply(inSimpleStore().filter((each) => keyOf(each) !== keyOf(report)));
  await database()
    .then((db) => db.delete('reports', keyOf(report)))
    .catch(() => undefined);
}

/** What goes out does so one after the other, over all pages of this phone where the browser can say so. */
let lastTurn: Promise<unknown> = Promise.resolve();

function inTurn<Value>(address: string, work: () => Promise<Value>): Promise<Value> {
  if (navigator.locks) return navigator.locks.request(`${NAME}:${address}`, work) as Promise<Value>;
  const turn = lastTurn.then(work, work);
  lastTurn = turn.catch(() => undefined);
  return turn;
}

/** Sends a report that was kept just now: what is told last is what goes out last. */
export function sendKept(report: KeptReport): Promise<Sending> {
  return inTurn(report.address, () => sendReport(report));
}

/** Sends one report. Its idempotency key makes it safe to do so again and again. */
async function sendReport(report: KeptReport): Promise<Sending> {
  const body = new URLSearchParams(report.fields.map(([name, value]) => [name, value]));
  try {
    const answer = await fetch(report.address, { method: 'POST', body, headers: { accept: 'application/json' } });
    const said = (await answer.json()) as { next?: string; words?: string; fields?: Record<string, string> };
    if (answer.ok && said.next) return { kind: 'taken', next: said.next };
    if (answer.status < 500) return { kind: 'refused', words: said.words ?? '', fields: said.fields ?? {} };
  } catch {
    // No network, or an answer that was cut off: it stays kept.
  }
  return { kind: 'kept' };
}

export type Flushed =
  | { readonly kind: 'nothing' | 'kept' }
  | { readonly kind: 'sent'; readonly next: string }
  | { readonly kind: 'refused'; readonly why: string };

/** Sends what waits for an address, in order, till the network fails. */
export async function flushOutbox(address: string, onSent: (report: KeptReport) => void = () => {}): Promise<Flushed> {
  let last: Flushed = { kind: 'nothing' };
  for (const { fields } of await keptReports(address)) {
    // Each in a turn of its own, as it stands by then: it may have been put right, or sent, meanwhile.
    const key = keyOf({ address, fields });
    const now = await inTurn(address, async (): Promise<Flushed | null> => {
      const report = (await keptReports(address)).find((each) => keyOf(each) === key);
      return report ? sendWaiting(report, onSent) : null;
    });
    if (now) last = now;
    if (now?.kind === 'kept') return now;
  }
  return last;
}

async function sendWaiting(report: KeptReport, onSent: (report: KeptReport) => void): Promise<Flushed> {
  if (report.refused !== undefined) return { kind: 'refused', why: report.refused };
  const sent = await sendReport(report);
  if (sent.kind === 'kept') return { kind: 'kept' };
  if (sent.kind === 'taken') {
    await drop(report);
    onSent(report);
    return { kind: 'sent', next: sent.next };
  }
  const why = [sent.words, ...Object.values(sent.fields)].join(' ');
  await keep({ ...report, refused: why });
  return { kind: 'refused', why };
}

export function fieldOf(report: KeptReport, name: string): string {
  return report.fields.find(([each]) => each === name)?.[1] ?? '';
}

const keyOf = (report: KeptReport) => fieldOf(report, 'idempotencyKey');

/** The small store, which a worker does not have. */
function inSimpleStore(): KeptReport[] {
  try {
    return JSON.parse(localStorage.getItem(NAME) ?? '[]') as KeptReport[];
  } catch {
    return [];
  }
}

function storeSimply(reports: readonly KeptReport[]): void {
  try {
    if (reports.length) localStorage.setItem(NAME, JSON.stringify(reports));
    else localStorage.removeItem(NAME);
  } catch {
    // A phone without storage still sends; it only cannot keep.
  }
}
