import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A report that has not reached us yet, kept on the family's own phone until it has. */
export interface KeptReport {
  readonly address: string;
  readonly fields: readonly (readonly [string, string])[];
  /** Why it was not taken in, where it was refused: it is kept, so that nothing that was said is lost. */
  readonly refused?: string;
  /** When it was kept: reports go out in this order. */
  readonly at?: number;
  /** Family that it belongs to, whichever link it was written under. */
  readonly family?: string;
  /** The link that it was written under was closed: it is offered at the next link of the same child. */
  readonly isClosed?: boolean;
}

export type Sending =
  | { readonly kind: 'taken'; readonly next: string }
  | { readonly kind: 'refused'; readonly words: string; readonly fields: Record<string, string>; readonly isClosed: boolean }
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

/** Reports that could not be stored anywhere: they are sent from here as long as the page stays open. */
const inMemory = new Map<string, KeptReport>();

/** All that waits on this phone, whichever link it was written under. */
async function everything(): Promise<KeptReport[]> {
  const all = await database()
    .then((db) => db.getAll('reports'))
    .catch((): KeptReport[] => []);
  const keys = new Set(all.map(keyOf));
  return [...[...inMemory.values(), ...inSimpleStore()].filter((report) => !keys.has(keyOf(report))), ...all].sort(
    (a, b) => (a.at ?? 0) - (b.at ?? 0),
  );
}

/** All that waits on this phone, of one family's address, oldest first: also what an older page of ours kept in another place. */
export async function keptReports(address: string): Promise<KeptReport[]> {
  return (await everything()).filter((report) => report.address === address);
}

/** Returns the reports of this child's family that were written under a link that is closed by now. */
export async function keptUnderClosedLinks(family: string, address: string): Promise<KeptReport[]> {
  return (await everything()).filter((report) => report.family === family && report.address !== address && report.isClosed === true);
}

/**
 * Keeps a report: in the larger store, else in the small one, else in memory. It is kept only where it can be read back.
 * @returns false where it is in memory alone, and gone once the page is closed
 */
export async function keep(report: KeptReport): Promise<boolean> {
  const value = { at: Date.now(), ...report, key: keyOf(report) };
  inMemory.delete(value.key);
  try {
    const db = await database();
    await db.put('reports', value);
    if (await db.get('reports', value.key)) {
      storeSimply(inSimpleStore().filter((each) => keyOf(each) !== value.key));
      return true;
    }
  } catch {
    // The small store is tried.
  }
  storeSimply([...inSimpleStore().filter((each) => keyOf(each) !== value.key), value]);
  if (inSimpleStore().some((each) => keyOf(each) === value.key)) return true;
  inMemory.set(value.key, value);
  return false;
}

/** True while something is in memory alone. */
export const isUnkept = () => inMemory.size > 0;

export async function drop(report: KeptReport): Promise<void> {
  inMemory.delete(keyOf(report));
  storeSimply(inSimpleStore().filter((each) => keyOf(each) !== keyOf(report)));
  await database()
    .then((db) => db.delete('reports', keyOf(report)))
    .catch(() => undefined);
}

/** Reports are sent one after the other, over all pages of this phone where the browser supports locks. */
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
    if (answer.status < 500)
      return {
        kind: 'refused',
        words: said.words ?? '',
        fields: said.fields ?? {},
        isClosed: answer.status === 410 || answer.status === 404,
      };
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
  await keep({ ...report, refused: why, isClosed: sent.isClosed });
  return { kind: 'refused', why };
}

/** Gives a report of a closed link to the open one. It keeps its key, so that it is never filed twice. */
export async function moveTo(address: string, report: KeptReport): Promise<void> {
  const { refused: _refused, isClosed: _isClosed, ...rest } = report;
  await keep({ ...rest, address });
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
    // Full, or closed: who keeps looks whether it is there.
  }
}
