import { z } from 'zod';
import { NEW_TRIAL, type Trial } from './trial';

const waitingSchema = z.array(
  z.object({
    entryKey: z.string(),
    childId: z.number(),
    /** Name and goal, for whoever looks at the entries that wait. */
    says: z.string(),
    measurement: z.record(z.string(), z.unknown()),
    /** Why it was not taken; it waits for a person then. */
    fault: z.string().nullable(),
  }),
);
export type Waiting = z.output<typeof waitingSchema>[number];

/** Entries of one person that wait on this device for a network: another person neither sees nor sends them. */
const keyOf = (personId: number) => `yard-visit:${personId}`;

export function waitingOf(personId: number): Waiting[] {
  try {
    return waitingSchema.parse(JSON.parse(localStorage.getItem(keyOf(personId)) ?? '[]'));
  } catch {
    return [];
  }
}

/** False where the device keeps nothing: then it has to be said. */
export function keepWaiting(personId: number, waiting: readonly Waiting[]): boolean {
  try {
    if (waiting.length === 0) localStorage.removeItem(keyOf(personId));
    else localStorage.setItem(keyOf(personId), JSON.stringify(waiting));
    return true;
  } catch {
    return false;
  }
}

const draftKeyOf = (personId: number) => `yard-visit-draft:${personId}`;

export interface Draft {
  readonly goalId: number;
  readonly trial: Trial;
}

/** Returns the count in progress, so that a page that the device discards loses nothing. */
export function draftOf(personId: number): Draft | null {
  try {
    const { goalId, trial } = JSON.parse(localStorage.getItem(draftKeyOf(personId)) ?? 'null') as Draft;
    return { goalId, trial: { ...NEW_TRIAL, ...trial } };
  } catch {
    return null;
  }
}

export function storeDraft(personId: number, draft: Draft | null): void {
  try {
    if (draft) localStorage.setItem(draftKeyOf(personId), JSON.stringify(draft));
    else localStorage.removeItem(draftKeyOf(personId));
  } catch {
    // A device without storage asks before the page is left.
  }
}

const WORKER = '/visit/worker.js';

/** Has the sheet and all that it is made of kept on this device, so that it opens without a network. */
export async function keepSheet(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  try {
    await navigator.serviceWorker.register(WORKER, { scope: '/visit/' });
    const { active } = await navigator.serviceWorker.ready;
    const parts = performance.getEntriesByType('resource').map(({ name }) => name);
    active?.postMessage({ kind: 'keep', page: location.href, parts });
  } catch {
    // Not on a secure address, or not allowed: the sheet works while it is open.
  }
}

/** Signing out deletes the stored sheet; entries that still wait stay for the next time. */
export async function forgetSheet(): Promise<void> {
  if (!('caches' in globalThis)) return;
  const names = await caches.keys();
  await Promise.all(names.filter((name) => name.startsWith('yard-visit')).map((name) => caches.delete(name)));
}
